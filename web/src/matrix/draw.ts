import { CLUSTERS } from '@/paling/rights'
import type { Shown } from './axis'
import type { Cell } from './matrix'

/** The measures of a matrix, in pixels. */
export const CELL = { width: 58, height: 27 }
export const ROW_HEAD = 250
export const COLUMN_HEAD = 172
const LEVEL = 9
const INDENT = 13
const POST = 6

/** The colours of the page, read from it so that light and dark are followed. */
export interface Ink {
  text: string
  stub: string
  line: string
  foot: string
  taken: string
  gained: string
  lost: string
  paper: string
  chosen: string
  strange: string
}

export function inkOf(element: HTMLElement): Ink {
  const style = getComputedStyle(element)
  const theme = (name: string, alpha = 1) => `rgba(${style.getPropertyValue(`--v-theme-${name}`)}, ${alpha})`
  return {
    text: theme('on-surface'),
    stub: theme('on-surface', 0.26),
    line: theme('on-surface', 0.13),
    foot: theme('primary'),
    taken: theme('error', 0.85),
    gained: theme('success'),
    lost: theme('error'),
    paper: theme('surface'),
    chosen: theme('primary', 0.16),
    strange: theme('warning'),
  }
}

/** Where each picket stands, from the left of a cell. */
const STANDS = CLUSTERS.flatMap((cluster, i) =>
  cluster.map((_, j) => 5 + i * 4 + (CLUSTERS.slice(0, i).flat().length + j) * 4.5),
)

/** A paling in a cell: pickets that stand, stubs, gaps of what was withheld, the foot; what the draft gives or takes is in its own colour. */
export function drawCell(on: CanvasRenderingContext2D, ink: Ink, cell: Cell, x: number, y: number) {
  const ground = y + 20
  if (cell.rights === 0 && cell.from === 3 && cell.before < 0) {
    // Nothing at all: only the ground, so that what is there stands out.
    on.fillStyle = ink.line
    on.fillRect(x + 5, ground - 1, 44, 1)
    if (cell.more > 0) notch(on, ink.stub, x + 51, y + 3, -1)
    return
  }
  STANDS.forEach((stand, i) => {
    const bit = 1 << i
    const held = (cell.rights & bit) !== 0
    const was = cell.before < 0 ? held : (cell.before & bit) !== 0
    const at = x + stand
    if (held) {
      on.fillStyle = was ? ink.text : ink.gained
      on.beginPath()
      on.moveTo(at, ground)
      on.lineTo(at, y + 7)
      on.lineTo(at + 1.6, y + 4)
      on.lineTo(at + 3.2, y + 7)
      on.lineTo(at + 3.2, ground)
      on.fill()
    } else if ((cell.withheld & bit) !== 0) {
      on.fillStyle = ink.taken
      on.fillRect(at, y + 5, 3.2, 4)
      on.fillRect(at, ground - 4, 3.2, 4)
    } else {
      on.fillStyle = ink.stub
      on.fillRect(at, ground - 2.4, 3.2, 2.4)
    }
    if (was && !held) {
      on.strokeStyle = ink.lost
      on.lineWidth = 1
      on.strokeRect(at + 0.5, y + 6.5, 2.4, 13)
    }
  })
  if (cell.from === 0 || cell.from === 2) {
    on.strokeStyle = ink.foot
    on.lineWidth = 2
    on.setLineDash(cell.from === 2 ? [2.5, 3] : [])
    on.beginPath()
    on.moveTo(x + 5, y + 22.5)
    on.lineTo(x + 49, y + 22.5)
    on.stroke()
    on.setLineDash([])
  }
  if (cell.more > 0) notch(on, ink.text, x + 51, y + 3, -1)
  if (cell.less > 0) notch(on, ink.text, x + 51, y + 10, 1)
}

/** Some have more: a point upwards; some have less: one downwards. */
function notch(on: CanvasRenderingContext2D, colour: string, x: number, y: number, way: 1 | -1) {
  on.fillStyle = colour
  on.beginPath()
  on.moveTo(x, y + (way < 0 ? 3.5 : 0))
  on.lineTo(x + 5, y + (way < 0 ? 3.5 : 0))
  on.lineTo(x + 2.5, y + (way < 0 ? 0 : 3.5))
  on.fill()
}

/** What marks a cell that departs from those beside it: two brackets, told apart from what is chosen by shape. */
export function drawStrange(on: CanvasRenderingContext2D, ink: Ink, x: number, y: number) {
  on.strokeStyle = ink.strange
  on.lineWidth = 1.8
  on.beginPath()
  on.moveTo(x + 6, y + 2)
  on.lineTo(x + 2, y + 2)
  on.lineTo(x + 2, y + CELL.height - 2)
  on.lineTo(x + 6, y + CELL.height - 2)
  on.moveTo(x + CELL.width - 6, y + 2)
  on.lineTo(x + CELL.width - 2, y + 2)
  on.lineTo(x + CELL.width - 2, y + CELL.height - 2)
  on.lineTo(x + CELL.width - 6, y + CELL.height - 2)
  on.stroke()
}

function clipped(on: CanvasRenderingContext2D, text: string, width: number): string {
  if (on.measureText(text).width <= width) return text
  let short = text
  while (short.length > 1 && on.measureText(`${short}…`).width > width)
    short = short.slice(0, Math.max(1, Math.floor(short.length * 0.9) - 1))
  return `${short}…`
}

/** Heads down the side: a path line with a post for each, an unbroken rail where one follows the one above it, a gap where it stands alone. */
export function drawRowHeads(
  on: CanvasRenderingContext2D,
  ink: Ink,
  shown: readonly Shown[],
  from: number,
  until: number,
  top: number,
  font: string,
) {
  on.textBaseline = 'middle'
  for (let i = from; i <= until; i++) {
    const { head, branch, folded } = shown[i]!
    const y = top + (i - from) * CELL.height
    const x = 10 + head.depth * INDENT
    rails(on, ink, shown, i, (depth) => 10 + depth * INDENT, y, y + CELL.height, true)
    on.fillStyle = ink.text
    on.fillRect(x, y + 7, POST - 2, 13)
    if (branch) fold(on, ink, x + 8, y + 9, folded)
    on.font = `${branch ? '600 ' : ''}${font}`
    on.fillStyle = ink.text
    const left = x + (branch ? 22 : 10)
    on.fillText(clipped(on, head.name, ROW_HEAD - left - 46), left, y + CELL.height / 2)
    on.font = font
    on.textAlign = 'right'
    on.globalAlpha = 0.76
    on.fillText(head.note, ROW_HEAD - 8, y + CELL.height / 2)
    on.globalAlpha = 1
    on.textAlign = 'left'
    if (head.outsiders) {
      on.strokeStyle = ink.strange
      on.setLineDash([2, 2])
      on.strokeRect(ROW_HEAD - 10 - on.measureText(head.note).width, y + 5.5, on.measureText(head.note).width + 6, 16)
      on.setLineDash([])
    }
  }
}

/** Heads across: the same line laid flat, and the names upright below it. */
export function drawColumnHeads(
  on: CanvasRenderingContext2D,
  ink: Ink,
  shown: readonly Shown[],
  from: number,
  until: number,
  left: number,
  font: string,
) {
  for (let i = from; i <= until; i++) {
    const { head, branch, folded } = shown[i]!
    const x = left + (i - from) * CELL.width
    const middle = x + CELL.width / 2
    const y = 10 + Math.min(head.depth, 6) * LEVEL
    rails(on, ink, shown, i, (depth) => 10 + Math.min(depth, 6) * LEVEL, x, x + CELL.width, false)
    on.fillStyle = ink.text
    on.fillRect(middle - 6, y - 2, 12, POST - 2)
    if (branch) fold(on, ink, middle - 4, y + 8, folded)
    on.save()
    on.translate(middle, COLUMN_HEAD - 6)
    on.rotate(-Math.PI / 2)
    on.textBaseline = 'middle'
    on.font = `${branch ? '600 ' : ''}${font}`
    on.fillStyle = ink.text
    on.fillText(clipped(on, head.name, COLUMN_HEAD - y - (branch ? 28 : 14)), 0, 0)
    on.restore()
  }
}

/** The line from the head above to this one, and those of heads further up that go on past it. */
function rails(
  on: CanvasRenderingContext2D,
  ink: Ink,
  shown: readonly Shown[],
  i: number,
  at: (depth: number) => number,
  start: number,
  end: number,
  down: boolean,
) {
  const { head } = shown[i]!
  const stroke = (x1: number, y1: number, x2: number, y2: number) => {
    on.beginPath()
    on.moveTo(down ? x1 : y1, down ? y1 : x1)
    on.lineTo(down ? x2 : y2, down ? y2 : x2)
    on.stroke()
  }
  on.strokeStyle = ink.text
  on.lineWidth = 1.6
  const middle = (start + end) / 2
  for (let depth = 1; depth <= head.depth; depth++) {
    const last = lastOf(shown, i, depth)
    const line = at(depth - 1) + 2
    if (depth < head.depth) {
      if (!last) stroke(line, start, line, end)
      continue
    }
    stroke(line, start, line, last ? middle : end)
    if (head.walled) {
      stroke(line, middle, at(depth), middle)
      on.strokeStyle = ink.foot
      for (let step = -6; step <= 6; step += 4) stroke(line + 3, middle + step + 2, line + 8, middle + step - 2)
      on.strokeStyle = ink.text
    } else if (head.standsAlone) {
      // The line is interrupted: it neither begins at the one nor ends at the other.
      stroke(line, middle, line + 3, middle)
      stroke(at(depth) - 3, middle - 4, at(depth) - 3, middle + 4)
    } else {
      stroke(line, middle, at(depth), middle)
    }
  }
}

/** Whether no head after this one, in sight order, is at the same depth below the same one. */
function lastOf(shown: readonly Shown[], i: number, depth: number): boolean {
  const next = shown[i + 1]
  if (next === undefined) return true
  for (let j = i + 1; j < shown.length && j < i + 400; j++) {
    if (shown[j]!.head.depth < depth) return true
    if (shown[j]!.head.depth === depth) return false
  }
  return true
}

function fold(on: CanvasRenderingContext2D, ink: Ink, x: number, y: number, folded: boolean) {
  on.strokeStyle = ink.text
  on.lineWidth = 1
  on.strokeRect(x + 0.5, y + 0.5, 8, 8)
  on.beginPath()
  on.moveTo(x + 2.5, y + 4.5)
  on.lineTo(x + 6.5, y + 4.5)
  if (folded) {
    on.moveTo(x + 4.5, y + 2.5)
    on.lineTo(x + 4.5, y + 6.5)
  }
  on.stroke()
}
