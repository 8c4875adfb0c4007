import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { useRowKeys } from './useRowKeys'

describe('what a row opens', () => {
  function opened(row: string): string[] {
    const list = document.createElement('div')
    list.innerHTML = `<div data-row="0" tabindex="0">${row}</div>`
    document.body.append(list)
    const found: string[] = []
    list.querySelectorAll('a, button').forEach((one) => one.addEventListener('click', (event) => (event.preventDefault(), found.push(one.textContent))))
    const { enter, press } = useRowKeys(ref(list), ref(), () => 1, () => 0, () => undefined)
    const target = list.querySelector('[data-row]')!
    enter({ target } as unknown as KeyboardEvent)
    press({ target } as unknown as MouseEvent)
    list.remove()
    return found
  }

  it('is what it is about and not somebody who is named before it', () => {
    expect(opened('<a href="/people" data-aside>Mia</a><button data-opens>why</button>')).toEqual(['why', 'why'])
    expect(opened('<a href="/people" data-aside>Mia</a><a href="/places">Casualties</a>')).toEqual(['Casualties', 'Casualties'])
  })

  it('is whoever is named if there is nothing else, and nothing if there is nobody', () => {
    expect(opened('<a href="/people" data-aside>Mia</a><button>other</button>')).toEqual(['Mia', 'Mia'])
    expect(opened('<button>other</button>')).toEqual([])
  })
})
