import { describe, expect, it } from 'vitest'
import { router } from '@/shell/router'
import { thingLink } from './thingLink'

describe('where a changed thing can be seen', () => {
  it.each(['place', 'group', 'person', 'unit', 'role', 'type'])('a %s has a page that there is', (about) => {
    const link = thingLink({ about, aboutId: 'x' })
    expect(link).toBeDefined()
    expect(router.resolve(link!).matched.length).toBeGreaterThan(0)
  })

  it('a rule of approval has no page', () => {
    expect(thingLink({ about: 'approval', aboutId: 'x' })).toBeUndefined()
  })
})
