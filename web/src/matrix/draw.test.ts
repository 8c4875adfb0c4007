import { describe, expect, it } from 'vitest'
import { shownOf, type Head } from './axis'
import { CELL, drawCell, drawColumnHeads, drawRowHeads, drawStrange, type Ink } from './draw'
import { cellOf } from './matrix'

const INK: Ink = {
  text: 'text',
  stub: 'stub',
  line: 'line',
  foot: 'foot',
  taken: 'taken',
  gained: 'gained',
  lost: 'lost',
  paper: 'paper',
  chosen: 'chosen',
  strange: 'strange',
}

/** A surface that writes down what is painted in which colour, and what is written. */
function surface() {
  const painted: string[] = []
  const written: string[] = []
  const lines: { colour: string; from: number[]; to: number[] }[] = []
  let pen = [0, 0]
  const on = {
    fillStyle: '',
    strokeStyle: '',
    lineWidth: 1,
    globalAlpha: 1,
    font: '',
    textAlign: 'left',
    textBaseline: '',
    fillRect: () => void painted.push(`box ${on.fillStyle}`),
    strokeRect: () => void painted.push(`frame ${on.strokeStyle}`),
    fill: () => void painted.push(`shape ${on.fillStyle}`),
    stroke: () => void painted.push(`line ${on.strokeStyle}`),
    beginPath: () => undefined,
    moveTo: (x: number, y: number) => void (pen = [x, y]),
    lineTo: (x: number, y: number) => {
      lines.push({ colour: on.strokeStyle, from: pen, to: [x, y] })
      pen = [x, y]
    },
    setLineDash: () => undefined,
    save: () => undefined,
    restore: () => undefined,
    translate: () => undefined,
    rotate: () => undefined,
    fillText: (text: string) => void written.push(text),
    measureText: (text: string) => ({ width: text.length * 7 }),
  }
  return {
    on: on as unknown as CanvasRenderingContext2D,
    painted,
    written,
    lines,
    count: (what: string) => painted.filter((one) => one === what).length,
  }
}

describe('a cell as it is drawn', () => {
  it('has a picket for each right that is held, a stub for each that is not, and its origin in the foot', () => {
    const { on, count } = surface()
    drawCell(on, INK, cellOf([3, 0, 0, 5, 0, 0, -1]), 0, 0)
    expect(count('shape text')).toBe(2)
    expect(count('box stub')).toBe(7)
    expect(count('line foot')).toBe(1)
  })

  it('has no foot when it comes from above, and a gap for what is withheld', () => {
    const { on, count } = surface()
    drawCell(on, INK, cellOf([3, 4, 1, 5, 0, 0, -1]), 0, 0)
    expect(count('line foot')).toBe(0)
    expect(count('box taken')).toBe(2)
    expect(count('box stub')).toBe(6)
  })

  it('tells what the draft gives and takes', () => {
    const { on, count } = surface()
    drawCell(on, INK, cellOf([2, 0, 0, 1, 0, 0, 1]), 0, 0)
    expect(count('shape gained')).toBe(1)
    expect(count('frame lost')).toBe(1)
    expect(count('shape text')).toBe(0)
  })

  it('points upwards where some have more, downwards where some have less, and is bare ground where nothing is', () => {
    const both = surface()
    drawCell(both.on, INK, cellOf([3, 0, 1, 1, 1, 1, -1]), 0, 0)
    expect(both.count('shape text')).toBe(4)
    const bare = surface()
    drawCell(bare.on, INK, cellOf([0, 0, 3, 4, 0, 0, -1]), 0, 0)
    expect(bare.painted).toEqual(['box line'])
    const more = surface()
    drawCell(more.on, INK, cellOf([0, 0, 3, 4, 2, 0, -1]), 0, 0)
    expect(more.painted).toEqual(['box line', 'shape stub'])
  })

  it('that departs is bracketed by a shape of its own', () => {
    const { on, painted, lines } = surface()
    drawStrange(on, INK, 0, 0)
    expect(painted).toEqual(['line strange'])
    expect(lines).toHaveLength(6)
    expect(Math.max(...lines.map((line) => line.to[0]!))).toBeLessThan(CELL.width)
  })
})

const head = (name: string, depth: number, parent: number, more: Partial<Head> = {}): Head => ({
  key: name,
  kind: 'group',
  id: name,
  name,
  note: '12',
  depth,
  parent,
  standsAlone: false,
  walled: false,
  outsiders: false,
  ...more,
})

describe('heads as they are drawn', () => {
  it('bear their names, cut where there is no room, and how many people they are', () => {
    const long = 'Surveyors of the outer approaches and of all the harbours beyond'
    const { on, written } = surface()
    drawRowHeads(on, INK, shownOf([head('Adjusters', 0, -1), head(long, 0, -1)], new Set()), 0, 1, 0, '13px serif')
    expect(written[0]).toBe('Adjusters')
    expect(written[1]).toBe('12')
    expect(written[2]!.endsWith('…')).toBe(true)
    expect(long.startsWith(written[2]!.slice(0, -1))).toBe(true)
  })

  it('are framed where outsiders are among them', () => {
    const { on, count } = surface()
    drawRowHeads(on, INK, shownOf([head('Divers', 0, -1, { outsiders: true })], new Set()), 0, 0, 0, '13px serif')
    expect(count('frame strange')).toBe(1)
  })

  it('follow the line of the one above; where one stands alone the line is interrupted, and a wall is hatched', () => {
    /** The line from the rail to the post: whole, or not. */
    const across = (one: Partial<Head>) => {
      const { on, lines } = surface()
      drawRowHeads(on, INK, shownOf([head('top', 0, -1), head('below', 1, 0, one)], new Set()), 0, 1, 0, '13px serif')
      return {
        whole: lines.some((line) => line.from[0] === 12 && line.to[0] === 23 && line.from[1] === line.to[1]),
        hatched: lines.filter((line) => line.colour === 'foot').length,
      }
    }
    expect(across({})).toEqual({ whole: true, hatched: 0 })
    expect(across({ standsAlone: true })).toEqual({ whole: false, hatched: 0 })
    expect(across({ walled: true }).hatched).toBe(4)
  })

  it('across are cut to the room that is left below their line', () => {
    const { on, written } = surface()
    drawColumnHeads(
      on,
      INK,
      shownOf([head('C-2406', 0, -1), head('A name that is much too long for a column', 3, 0)], new Set()),
      0,
      1,
      0,
      '13px serif',
    )
    expect(written[0]).toBe('C-2406')
    expect(written[1]!.endsWith('…')).toBe(true)
  })
})
