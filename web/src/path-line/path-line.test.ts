import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import PathLine from './PathLine.vue'

const posts = [
  { id: 'root', name: 'Repository', kind: 'repository', standsAlone: true, walled: false },
  { id: 'lib', name: 'Casualties', kind: 'library', standsAlone: false, walled: false },
  { id: 'c', name: 'C-2406', kind: 'folder', standsAlone: true, walled: false },
]

describe('the path line', () => {
  const line = mount(PathLine, { props: { posts }, global: { stubs: { RouterLink: RouterLinkStub } } })

  it('is interrupted before a place that stands alone and nowhere else', () => {
    expect(line.findAll('li').map((post) => post.attributes('data-stands-alone'))).toEqual(['false', 'false', 'true'])
    expect(line.findAll('.rail path').map((path) => path.attributes('d')?.split('M').length)).toEqual([2, 5])
  })

  it('says so to screen readers', () => {
    expect(line.text()).toContain('Casualties, follows')
    expect(line.text()).toContain('C-2406, stands alone')
  })

  it('is hatched where a wall runs, and says so', () => {
    const walled = posts.map((post, i) => ({ ...post, walled: i === 2 }))
    const drawn = mount(PathLine, { props: { posts: walled }, global: { stubs: { RouterLink: RouterLinkStub } } })
    expect(drawn.findAll('.hatch')).toHaveLength(1)
    expect(drawn.text()).toContain('a wall stands here')
  })
})
