import { aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { inSight } from '@/lists/testkit'
import TypeMatrix from './TypeMatrix.vue'

const cell = (people: number, common: string[], alike = people) => ({ people, finds: people, reads: people, adds: 0, deletes: 0, common, alike })

describe('the matrix of subjects and types', () => {
  beforeEach(() => {
    inSight(20)
    aServer({
      'GET /api/repository': () => ({ id: 'root', name: 'Sallowpoint' }),
      'GET /api/places/root/children': () => [
        { id: 'f-1', kind: 'folder', name: 'Loose papers' },
        { id: 'lib-cas', kind: 'library', name: 'Casualties' },
      ],
      'GET /api/types/matrix': () => ({
        named: 2,
        types: [
          { id: 'letter', name: 'Letter', guarded: false },
          { id: 'valuation', name: 'Valuation', guarded: true },
        ],
        subjects: [
          { kind: 'group', id: 'g-1', name: 'Adjusters', people: 17, outsiders: 0 },
          { kind: 'group', id: 'g-2', name: 'Cargo specialists', people: 5, outsiders: 2 },
        ],
        cells: [
          [cell(17, ['find', 'read']), cell(17, ['find', 'read'], 16)],
          [cell(5, ['find']), cell(5, ['find', 'read', 'copy'])],
        ],
      }),
    })
  })
  afterEach(() => vi.restoreAllMocks())

  async function matrix() {
    const shown = mount(TypeMatrix, { global: { plugins: [createVuetify(), VueQueryPlugin] } })
    await vi.waitFor(async () => {
      await flushPromises()
      expect(shown.findAll('[data-row]').length).toBe(2)
    })
    return shown
  }

  it('opens at the first library: most is given at libraries', async () => {
    await matrix()
    expect(requests.filter(({ what }) => what === 'GET /api/types/matrix').at(-1)!.asked.query.library).toBe('lib-cas')
  })

  it('has a column a type, and says which are guarded', async () => {
    const heads = (await matrix()).findAll('[role=columnheader]').map((one) => one.text())
    expect(heads).toEqual(['Who', 'Outsiders', 'Letter', 'Valuation (guarded)'])
  })

  it('draws what most people of a row have, and says how many that are if not all do', async () => {
    const rows = (await matrix()).findAll('[data-row]')
    expect(rows[0]!.findAll('.rights')[0]!.find('.some').exists()).toBe(false)
    expect(rows[0]!.findAll('.rights')[1]!.find('.some').text()).toBe('16 of 17')
    expect(rows[0]!.findAll('.rights')[1]!.findAll('path[data-state=held]')).not.toHaveLength(0)
    expect(rows[0]!.findAll('.rights')[1]!.attributes('title')).toBe('16 of 17 have just this; 17 find, 17 read, 0 add, 0 delete')
    expect(rows[1]!.findAll('.rights')[1]!.find('.some').exists()).toBe(false)
    expect(rows[1]!.findAll('.rights')[1]!.find('.all').text(), 'who they are can be asked all the same').toBe('5')
  })

  it('sets outsiders apart', async () => {
    const rows = (await matrix()).findAll('[data-row]')
    expect(rows[0]!.find('.outsider').exists()).toBe(false)
    expect(rows[1]!.find('.outsider').text()).toBe('2')
  })

  it('is put in order by the server, which has all rows', async () => {
    const shown = await matrix()
    await shown.findAll('.sorter').find((one) => one.text() === 'Outsiders')!.trigger('click')
    await flushPromises()
    expect(requests.filter((one) => one.what === 'GET /api/types/matrix').at(-1)).toMatchObject({ asked: { query: { sort: '-outsiders', library: 'lib-cas' } } })
  })
})
