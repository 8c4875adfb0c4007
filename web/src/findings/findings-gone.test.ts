import { answered, aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { createVuetify } from 'vuetify'
import FindingsGone from './FindingsGone.vue'
import { sinceWords, wentWords } from './finding'

const CHANGE = (number: number) => ({ number, author: 'Wenna Carrow', note: `Note ${number}` })
const GONE = [
  { text: 'The group Ice desk is empty.', rule: 'group-empty', severity: 'UNTIDY', came: { known: true, byDate: false, at: '2026-11-20T09:00:00Z', change: CHANGE(7) }, at: '2026-11-26T09:00:00Z', byDate: false, went: CHANGE(9) },
  { text: 'It ends soon.', rule: 'ends-soon', severity: 'SERIOUS', came: { known: false, byDate: false, at: '2026-10-29T09:00:00Z' }, at: '2026-11-26T09:00:00Z', byDate: true },
]

async function gone(all = GONE.length) {
  aServer({ 'GET /api/findings/gone': () => ({ from: '2026-10-29T09:00:00Z', all, gone: GONE }) })
  const shown = mount(FindingsGone, { global: { plugins: [createVuetify(), VueQueryPlugin], stubs: { RouterLink: { props: ['to'], template: '<a :data-to="to.params.number"><slot /></a>' } } } })
  await answered()
  return shown
}

describe('findings that went', () => {
  it('says of each with what it came and with what it went, and leads to the change', async () => {
    const shown = await gone()
    const lines = shown.findAll('li')
    expect(lines[0]!.text()).toContain('with a change by Wenna Carrow: “Note 7”')
    expect(lines[0]!.text()).toContain('“Note 9”')
    expect(lines[0]!.find('a').attributes('data-to')).toBe('9')
    expect(lines[1]!.text()).toContain('It was not looked further back.')
    expect(lines[1]!.text()).toContain('by a date')
    expect(lines[1]!.find('a').exists()).toBe(false)
  })

  it('says how many there are when it does not list them all', async () => {
    expect((await gone(412)).find('[role=status]').text()).toContain('412 findings have gone since 29 Oct 2026; the last 2 are listed')
  })

  it('asks for thirty days at first', async () => {
    await gone()
    expect(JSON.stringify(requests[0]!.asked)).toContain('30')
  })

  it('has words for a change that may not be known', () => {
    expect(wentWords({ ...GONE[0]!, went: undefined } as never)).toMatch(/^Went 26 Nov 2026.*\.$/)
    expect(sinceWords({ known: false, byDate: false })).toBe('It is not looked back for this.')
  })
})
