/** A day from the calendar as the instant at which it begins, or nothing. */
export function beginningOf(day: string): string | undefined {
  return day === '' ? undefined : new Date(`${day}T00:00:00`).toISOString()
}
