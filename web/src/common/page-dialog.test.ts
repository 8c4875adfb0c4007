import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import PageDialog from './PageDialog.vue'

const Page = { template: '<p />' }

async function opened() {
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:id', component: Page }] })
  await router.push('/first')
  const said: boolean[] = []
  mount(PageDialog, { props: { modelValue: true, 'onUpdate:modelValue': (value: boolean) => said.push(value) }, slots: { default: 'Take Mia off the list of the first?' }, global: { plugins: [router], stubs: { VDialog: { template: '<div><slot /></div>' } } } })
  await nextTick()
  return { router, said }
}

describe('a dialog', () => {
  it.each(['/second', '/first?key=another'])('closes when one goes to %s', async (there) => {
    const { router, said } = await opened()
    expect(said).toEqual([])
    await router.push(there)
    expect(said).toEqual([false])
  })

  it('stays while one stays', async () => {
    const { router, said } = await opened()
    await router.replace('/first')
    expect(said).toEqual([])
  })
})
