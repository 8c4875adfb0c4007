import { aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { inSight } from '@/lists/testkit'
import AddMembersDialog from './AddMembersDialog.vue'

const person = (id: string, name: string, external = false) => ({ id, name, external, active: true, login: id })
const LINES = [
  { line: 1, text: 'Mia Torrance', what: 'MATCH', found: [person('p-mia', 'Mia Torrance')] },
  { line: 2, text: 'somebody', what: 'MISS', found: [] },
  { line: 3, text: 'bram.dalby', what: 'MATCH', found: [person('p-bram', 'Bram Dalby', true)] },
  { line: 4, text: 'mia.torrance@sallowpoint.example', what: 'AGAIN', found: [] },
]

describe('adding many members at once', () => {
  let page: VueWrapper

  beforeEach(() => {
    inSight(12)
    aServer({ 'POST /api/people/matches': () => LINES, 'POST /api/draft/changes/many': () => ({}), 'POST /api/draft/changes': () => ({}), 'GET /api/draft': () => ({}) })
  })
  afterEach(() => {
    page.unmount()
    vi.restoreAllMocks()
  })

  async function dialog() {
    page = mount(AddMembersDialog, {
      props: { group: 'g-survey', groupName: 'Surveyors', modelValue: true },
      global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { VDialog: { template: '<div><slot /></div>' } } },
    })
    await flushPromises()
    await button('Many at once').trigger('click')
  }
  const button = (title: string) => page.findAll('button').find((one) => one.text() === title)!

  async function read(text: string) {
    await page.find('textarea').setValue(text)
    await button('See whom it names').trigger('click')
    await vi.waitFor(() => expect(page.findAll('[data-row]').length).toBeGreaterThan(0))
  }

  it('shows matches and misses before anything goes into the draft', async () => {
    await dialog()
    await read('Mia Torrance\nsomebody')
    expect(page.text()).toContain('2 people found, 2 lines left out.')
    expect(requests.map(({ what }) => what)).not.toContain('POST /api/draft/changes/many')
  })

  it('begins with what was left out, each line with why', async () => {
    await dialog()
    await read('…')
    const rows = page.findAll('[data-row]').map((one) => one.text().replace(/\s+/g, ' '))
    expect(rows[0]).toContain('nobody')
    expect(rows[1]).toContain('already found above')
    expect(rows[2]).toContain('Mia Torrance')
  })

  it('sets outsiders apart', async () => {
    await dialog()
    await read('…')
    const rows = page.findAll('[data-row]')
    expect(rows.filter((one) => one.find('.outsider').exists()).map((one) => one.text())).toEqual([expect.stringContaining('Bram Dalby')])
  })

  it('is put in order by the line, as it was pasted', async () => {
    await dialog()
    await read('…')
    await page.findAll('.sorter').find((one) => one.text() === 'Line')!.trigger('click')
    await flushPromises()
    expect(page.findAll('[data-row]').map((one) => one.find('[role=cell]').text())).toEqual(['1', '2', '3', '4'])
  })

  it('drafts those who were found, and nobody else', async () => {
    await dialog()
    await read('…')
    await page.find('form').trigger('submit')
    await vi.waitFor(() => expect(requests.map(({ what }) => what)).toContain('POST /api/draft/changes/many'))
    const sent = requests.find(({ what }) => what === 'POST /api/draft/changes/many')!.asked.body as { changes: object[] }
    expect(sent.changes).toMatchObject([
      { kind: 'addMember', group: 'g-survey', memberKind: 'person', member: 'p-mia' },
      { kind: 'addMember', group: 'g-survey', memberKind: 'person', member: 'p-bram' },
    ])
  })

  it('forgets what was read as soon as the text is another', async () => {
    await dialog()
    await read('Mia Torrance')
    await page.find('textarea').setValue('Mia Torranc')
    expect(page.findAll('[data-row]')).toHaveLength(0)
    expect(button('Add to the draft').attributes('disabled')).toBeDefined()
  })

  it('says what is wrong with what was pasted', async () => {
    aServer({
      'POST /api/people/matches': () => new Refused(422, { status: 422, title: 'Not accepted', detail: 'That is more than 20,000 lines. Paste fewer at once.' }),
      'GET /api/draft': () => ({}),
    })
    await dialog()
    await page.find('textarea').setValue('…')
    await button('See whom it names').trigger('click')
    await vi.waitFor(() => expect(page.text()).toContain('That is more than 20,000 lines. Paste fewer at once.'))
  })
})
