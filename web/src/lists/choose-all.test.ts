import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ChooseAll from './ChooseAll.vue'

const props = { total: 700, chosen: 0, all: false, some: false, busy: false, label: 'Many at once', one: 'share' }

describe('the box that chooses all', () => {
  it('stays ticked while the rows are fetched, and says afterwards whether all are chosen', async () => {
    for (const fetched of [true, false]) {
      const page = mount(ChooseAll, { props })
      const box = page.find('input').element
      await page.find('input').setValue(true)
      expect(page.emitted('all')).toHaveLength(1)
      await page.setProps({ busy: true })
      expect(box.checked).toBe(true)
      await page.setProps(fetched ? { busy: false, all: true, chosen: 700 } : { busy: false })
      expect(box.checked).toBe(fetched)
      page.unmount()
    }
  })

  it('is unticked when some are given back', async () => {
    const page = mount(ChooseAll, { props: { ...props, all: true, chosen: 700 } })
    expect(page.find('input').element.checked).toBe(true)
    await page.setProps({ all: false, some: true, chosen: 699 })
    expect(page.find('input').element.checked).toBe(false)
    expect(page.text()).toContain('699 shares chosen')
    page.unmount()
  })
})
