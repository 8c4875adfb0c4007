import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { createVuetify } from 'vuetify'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import type { Schemas } from '@/api/client'
import DraftChanges from './DraftChanges.vue'

type Item = Schemas['Item']

function item(id: number, changed: Partial<Item> = {}): Item {
  return { id, words: `Reader for crew ${id}`, about: 'place', aboutId: 'lib', where: 'Casualties', ...changed } as Item
}

describe('the changes of a draft', () => {
  const list = (items: Item[], readonly = false) =>
    mount(DraftChanges, {
      props: { items, withoutEffect: [], readonly },
      global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { RouterLink: RouterLinkStub } },
    })
  const many = Array.from({ length: 20 }, (_, i) => item(i + 1))

  it('stand in the order in which they are made', () => {
    expect(list(many).findAll('.number').map((one) => one.text())).toEqual(many.map((_, i) => String(i + 1)))
  })

  it('are looked for once they are many, and keep their number in the draft', async () => {
    const shown = list(many)
    await shown.find('input').setValue('CREW 1')
    expect(shown.findAll('.number').map((one) => one.text())).toEqual(['1', '10', '11', '12', '13', '14', '15', '16', '17', '18', '19'])
    expect(shown.find('[role=status]').text()).toBe('11 matches')
  })

  it('are not looked for where a glance is enough', () => {
    expect(list(many.slice(0, 3)).find('input').exists()).toBe(false)
  })

  it('move by one, wherever in what was found they stand', async () => {
    const shown = list(many)
    await shown.find('input').setValue('crew 12')
    await shown.find('[aria-label="Move change 12 up"]').trigger('click')
    expect(shown.emitted('order')![0]![0]).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 11, 13, 14, 15, 16, 17, 18, 19, 20])
  })

  it('are taken out one by one', async () => {
    const shown = list(many.slice(0, 3))
    await shown.find('[aria-label="Take change 2 out of the draft"]').trigger('click')
    expect(shown.emitted('remove')).toEqual([[2]])
  })

  it('say what stands in their way, and offer nothing to those who only read', () => {
    const shown = list([item(1, { problem: 'The place is gone.' })], true)
    expect(shown.find('.fault').text()).toBe('The place is gone.')
    expect(shown.findAll('button')).toHaveLength(0)
  })
})
