import { answered, aServer, Refused, requests } from '@/api/testkit'
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import FiguresOverTime from './FiguresOverTime.vue'

const AT = ['2026-11-29T09:00:00Z', '2026-11-01T00:00:00Z', '2026-10-01T00:00:00Z']
/** Three months, then nothing further back. */
const month = (ago: number) =>
  ago < 3
    ? {
        there: true,
        at: AT[ago],
        people: 100 + ago,
        outsiders: 9,
        breaks: 4,
        entries: 50,
        grave: 1,
        serious: 2,
        untidy: 3,
      }
    : { there: false }

/** Until all that there is has been counted. */
const settled = (shown: { text: () => string }) =>
  vi.waitFor(() => expect(shown.text()).not.toContain('Counting month'))

async function figures(answer: (ago: number) => unknown = month, done = true) {
  aServer({ 'GET /api/gatehouse/figures': ({ query }) => answer(Number(query.ago)) })
  requests.length = 0
  const shown = mount(FiguresOverTime, {
    props: { change: 7 },
    global: {
      plugins: [createVuetify()],
      stubs: {
        FigureChart: {
          props: ['title', 'months', 'lines'],
          emits: ['open'],
          template: '<div class="chart" @click="$emit(\'open\', 1)">{{ title }}: {{ months.length }}</div>',
        },
      },
    },
  })
  if (done) await settled(shown)
  return shown
}

describe('figures over time', () => {
  it('are asked for from the newest back, as far as there are any', async () => {
    const shown = await figures()
    expect(requests.map((one) => one.asked.query.ago)).toEqual(['0', '1', '2', '3'])
    expect(shown.text()).not.toContain('Counting month')
    expect(shown.findAll('.chart').map((one) => one.text())).toEqual([
      'People with access: 3',
      'Outsiders among them: 3',
      'Breaks: 3',
      'Entries: 3',
      'Findings of the structure: 3',
    ])
    expect(shown.find('figcaption strong').text()).toBe('100')
  })

  it('read as a table say the same, oldest first, a month by its last day', async () => {
    const shown = await figures()
    await shown.find('.v-btn').trigger('click')
    const rows = shown.findAll('tbody tr')
    expect(rows.map((row) => row.find('th').text())).toEqual(['30 Sep 2026', '31 Oct 2026', '29 Nov 2026'])
    expect(rows.map((row) => row.find('td').text())).toEqual(['102', '101', '100'])
    expect(rows[0]!.find('button').exists()).toBe(false)
  })

  it('open what happened between the point before and this one', async () => {
    const shown = await figures()
    await shown.find('.chart').trigger('click')
    expect(shown.emitted('between')).toEqual([['2026-10-01..2026-10-31']])
  })

  it('leave out what this person may not count, rather than drawing nought', async () => {
    const shown = await figures((ago) => (ago < 3 ? { there: true, at: AT[ago], people: 5 } : { there: false }))
    expect(shown.findAll('.chart').map((one) => one.text())).toEqual(['People with access: 3'])
  })

  it('do not stay on the screen when they can no longer be had', async () => {
    let refused = false
    const shown = await figures((ago) =>
      refused ? new Refused(403, { title: 'You may not see that', detail: 'It has been taken back.' }) : month(ago),
    )
    refused = true
    await shown.setProps({ change: 8 })
    await vi.waitFor(() => expect(shown.find('[role=alert]').text()).toBe('It has been taken back.'))
    expect(shown.findAll('.chart')).toHaveLength(0)
  })

  it('are counted anew after a change, and what was on its way is not mixed in', async () => {
    let answer: (said: unknown) => void = () => undefined
    let slow = true
    const shown = await figures(
      (ago) => (slow && ago === 1 ? new Promise((done) => (answer = done)) : { ...month(ago), people: slow ? 1 : 2 }),
      false,
    )
    await vi.waitFor(() => expect(shown.text()).toContain('Counting month 1 of 25'))
    slow = false
    await shown.setProps({ change: 8 })
    await settled(shown)
    answer({ ...month(1), people: 999 })
    await answered()
    await shown.find('.v-btn').trigger('click')
    expect(shown.findAll('tbody tr').map((row) => row.find('td').text())).toEqual(['2', '2', '2'])
  })
})
