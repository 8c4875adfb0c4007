/** So many frames in a row it must be still before it is let alone: lists are drawn again when their answer comes. */
const CALM = 20
const FRAMES_AT_MOST = 240

/**
 * The focus goes along with a row that was moved by a button in it: to the same button in the row's new place, or to the one for the other
 * direction if it can go no further. Buttons that move a row say which it is, where it stands and whither: `data-row-of="7" data-at="3"
 * data-by="-1"`. Only once the row itself stands there it has the focus: pressed again before that, the button moves no other row.
 */
export function followMoved(pressed: EventTarget | null, at: number, by: number) {
  const button = pressed as HTMLElement | null
  const within = button?.closest<HTMLElement>('[data-moves]') ?? document.body
  const row = button?.dataset.rowOf ?? ''
  let followed: Element | null = button
  let calm = 0
  let frames = 0
  const step = () => {
    const wanted = [by, -by].map((way) => within.querySelector<HTMLButtonElement>(`[data-row-of="${CSS.escape(row)}"][data-at="${at + by}"][data-by="${way}"]:not(:disabled)`)).find((one) => one !== null)
    const active = document.activeElement
    // Whoever has gone elsewhere meanwhile is not called back.
    if (active !== document.body && active !== followed && active !== wanted && active !== button) return
    if (wanted && active !== wanted) {
      wanted.focus()
      followed = wanted
      calm = 0
    } else if (wanted) {
      calm++
    }
    if (calm < CALM && frames++ < FRAMES_AT_MOST) requestAnimationFrame(step)
  }
  requestAnimationFrame(step)
}
