import { screenActions } from '@/common/screenActions'
import type { Offer } from './sources'

/** Everything the present screen can do: what it offers, and every button on it that can be pressed. */
export function actionsOf(screen: ParentNode): Offer[] {
  const named = screenActions()
  const buttons = [...screen.querySelectorAll<HTMLElement>('.v-btn:not([disabled]):not([aria-haspopup])')].filter((button) => button.closest('[inert]') === null)
  const pressed = buttons.map((button) => ({ title: button.getAttribute('aria-label') ?? button.textContent?.trim() ?? '', run: () => button.click() }))
  const seen = new Set<string>()
  return [...named, ...pressed]
    .filter(({ title }) => title !== '' && !seen.has(title) && seen.add(title))
    .map(({ title, run }) => ({ id: `do ${title}`, kind: 'do', title, about: '', run }))
}
