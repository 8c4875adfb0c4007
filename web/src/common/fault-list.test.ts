import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { faultsOf, plainly, ProblemError } from '@/api/problem'
import CycleDrawing from './CycleDrawing.vue'
import FaultList from './FaultList.vue'

const refused = new ProblemError({
  status: 422,
  title: 'Not accepted',
  detail: 'The groups would form a cycle: A → B → A.',
  faults: [
    { place: 'group a', what: 'The groups would form a cycle: A → B → A.', remedy: 'Cut it at one of these.', cycle: ['A', 'B', 'A'] },
    { place: 'change 2', what: 'The name is empty.', remedy: 'Give it a name.' },
  ],
})

describe('what was refused', () => {
  it('is said all at once, each with what would be right', () => {
    const shown = mount(FaultList, { props: { faults: faultsOf(refused) } })
    expect(shown.findAll('p:not(.quiet)').map((line) => line.text())).toEqual([
      'The groups would form a cycle: A → B → A. Cut it at one of these.',
      'change 2: The name is empty. Give it a name.',
    ])
  })

  it('is drawn if it is a cycle, and only then', () => {
    expect(mount(FaultList, { props: { faults: faultsOf(refused) } }).findAllComponents(CycleDrawing)).toHaveLength(1)
    expect(mount(FaultList, { props: { faults: [plainly('The name is empty.')] } }).findComponent(CycleDrawing).exists()).toBe(false)
  })

  it('says nothing if there is nothing', () => {
    expect(mount(FaultList, { props: { faults: [] } }).find('[role=alert]').exists()).toBe(false)
  })
})

describe('a cycle, drawn', () => {
  const drawn = (...names: string[]) => mount(CycleDrawing, { props: { names } })

  it('names each once, and tells the step that was asked for from those that are there', () => {
    const shown = drawn('A', 'B', 'C', 'A')
    expect(shown.findAll('text').map((name) => name.text())).toEqual(['A', 'B', 'C'])
    expect(shown.findAll('.arrow')).toHaveLength(3)
    expect(shown.findAll('.arrow').map((arrow) => arrow.classes('asked'))).toEqual([true, false, false])
  })

  it('shows something inside itself as one box that leads to itself', () => {
    const shown = drawn('A', 'A')
    expect(shown.findAll('text')).toHaveLength(1)
    expect(shown.findAll('.arrow').map((arrow) => arrow.classes('asked'))).toEqual([true])
  })

  it('reads out the way round', () => {
    expect(drawn('A', 'B', 'A').attributes('aria-label')).toBe('A cycle: A, then B, then A')
  })

  it('shortens a name that would leave its box', () => {
    expect(drawn('x'.repeat(60), 'B', 'x'.repeat(60)).find('text').text()).toBe(`${'x'.repeat(31)}…`)
  })
})
