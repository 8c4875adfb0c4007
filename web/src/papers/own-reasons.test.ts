import { aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import OwnReasons from './OwnReasons.vue'

async function reasons() {
  const shown = mount(OwnReasons, { props: { id: 'd-1' }, global: { plugins: [[VueQueryPlugin, { queryClientConfig: { defaultOptions: { queries: { retry: false } } } }]] } })
  await flushPromises()
  return shown
}

describe('why one has at a place what one has', () => {
  it('says in the order in which it acts what gives and what takes, and until when', async () => {
    aServer({
      'GET /api/papers/places/d-1/why': () => ({
        reasons: [
          { rights: ['find', 'read', 'copy'], kind: 'GIVES', words: 'Reader, given at Case to Surveyors.', until: '2027-03-04T00:00:00Z' },
          { rights: ['copy'], kind: 'TAKES', words: 'Withheld here from you.' },
        ],
      }),
    })
    const lines = (await reasons()).findAll('li')
    expect(lines.map((line) => line.find('strong').text())).toEqual(['find, read and copy', 'Not copy'])
    expect(lines[0]!.text()).toContain('It holds to the end of 3 Mar 2027.')
    expect(lines[1]!.text()).not.toContain('It holds')
    expect(requests).toHaveLength(1)
  })

  it('says it when there is no answer', async () => {
    aServer({
      'GET /api/papers/places/d-1/why': () => new Refused(404, { title: 'Not found', detail: 'There is no place [d-1].' }),
    })
    expect((await reasons()).get('[role=alert]').text()).toContain('There is no place [d-1].')
  })
})
