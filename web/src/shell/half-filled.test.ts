import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useNotices } from '@/common/useNotices'
import { isHalfFilled, useHalfFilled } from './useHalfFilled'

const Page = { template: '<p />' }

let mounted: { unmount(): void } | undefined

async function page(html: string) {
  document.body.innerHTML = html
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/', component: Page }, { path: '/there', component: Page }, { path: '/sign-in', name: 'sign-in', component: Page }] })
  await router.push('/')
  let half!: ReturnType<typeof useHalfFilled>
  const shown = mount(defineComponent({ setup: () => ((half = useHalfFilled()), () => null) }), { global: { plugins: [router] } })
  mounted = shown
  const field = (name: string) => document.querySelector<HTMLInputElement>(`[name="${name}"]`)!
  const type = (name: string, value: string) => {
    field(name).dispatchEvent(new FocusEvent('focusin', { bubbles: true }))
    field(name).value = value
  }
  const form = () => document.querySelector('form')!
  return { router, half, type, form, shown }
}
const FORM = '<form><input name="why" type="text" value="kept" /><input name="find" type="text" role="combobox" /><textarea name="note"></textarea></form>'

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => {
  mounted?.unmount()
  document.body.innerHTML = ''
})

describe('a form that is half filled', () => {
  it('is one into which something was typed that it did not hold before', async () => {
    const { type, form } = await page(FORM)
    expect(isHalfFilled(form())).toBe(false)
    type('why', 'kept')
    type('find', 'a name that is looked for')
    type('note', '   ')
    expect(isHalfFilled(form())).toBe(false)
    type('note', 'A sentence')
    expect(isHalfFilled(form())).toBe(true)
  })

  it('is not left without being asked, nor kept from whoever means it', async () => {
    const { router, half, type } = await page(FORM)
    type('note', 'A sentence')
    await router.push('/there')
    expect(router.currentRoute.value.path).toBe('/')
    expect(half.leaving.value).toBeDefined()
    half.leave()
    await nextTick()
    await router.isReady()
    await new Promise((done) => setTimeout(done))
    expect(router.currentRoute.value.path).toBe('/there')
    expect(half.leaving.value).toBeUndefined()
  })

  it('is left freely once it was sent, for another part of the same page, and by whoever is signed out', async () => {
    const { router, half, type, form } = await page(FORM)
    type('note', 'A sentence')
    await router.push('/?view=other')
    expect(half.leaving.value).toBeUndefined()
    form().dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }))
    await router.push('/there')
    expect(router.currentRoute.value.path).toBe('/there')
    type('note', 'Another')
    await router.push('/sign-in')
    expect(router.currentRoute.value.path).toBe('/sign-in')
  })

  it('is still one when it was refused, or only rehearsed', async () => {
    const { type, form } = await page(FORM)
    const send = () => form().dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }))
    type('note', 'A sentence')
    send()
    expect(isHalfFilled(form())).toBe(false)
    form().insertAdjacentHTML('beforeend', '<div class="v-messages" role="alert"></div>')
    expect(isHalfFilled(form())).toBe(false)
    form().insertAdjacentHTML('beforeend', '<p class="fault" role="alert">It was refused.</p>')
    expect(isHalfFilled(form())).toBe(true)
    form().querySelector('.fault')!.remove()
    type('note', 'Another sentence')
    form().dataset.rehearses = ''
    send()
    expect(isHalfFilled(form())).toBe(true)
  })

  it('is still one when a notice alone says that it was refused', async () => {
    const { type, form } = await page(FORM)
    type('note', 'A sentence')
    form().dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }))
    expect(isHalfFilled(form())).toBe(false)
    useNotices().say('Something else is done.')
    expect(isHalfFilled(form())).toBe(false)
    useNotices().fail('It was refused.')
    expect(isHalfFilled(form())).toBe(true)
  })

  it('in a dialog is asked about on Escape and on a press beside it, and is left by its own way out', async () => {
    const { half, type } = await page(`<div class="v-overlay--active v-dialog"><div class="v-overlay__scrim"></div>${FORM.replace('</form>', '<div class="actions"><button type="button" name="out">Cancel</button></div></form>')}</div>`)
    let out = 0
    document.querySelector('[name="out"]')!.addEventListener('click', () => out++)
    const escape = () => document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true }))
    expect(escape()).toBe(true)
    type('note', 'A sentence')
    expect(escape()).toBe(false)
    expect(half.leaving.value).toBeDefined()
    half.leaving.value = undefined
    const press = new MouseEvent('click', { bubbles: true, cancelable: true })
    document.querySelector('.v-overlay__scrim')!.dispatchEvent(press)
    expect(press.defaultPrevented).toBe(true)
    half.leave()
    expect(out).toBe(1)
  })
})
