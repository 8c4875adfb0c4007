import type { Schemas } from '@/api/client'

export const KINDS: { kind: Schemas['OfKind']['kind']; title: string }[] = [
  { kind: 'GRANT', title: 'Grants at places' },
  { kind: 'ACCESS', title: 'What people have at places' },
  { kind: 'MEMBERSHIP', title: 'Memberships of groups' },
  { kind: 'OVERSIGHT', title: 'Overseers' },
  { kind: 'CLEARANCE', title: 'Clearances for guarded types' },
  { kind: 'EXCEPTION', title: 'Exceptions to walls' },
  { kind: 'DUTY', title: 'Duties' },
  { kind: 'PASS', title: 'Passes' },
]

/** What stands at places; everything else takes the duty over the whole repository. */
export const AT_PLACES: string[] = ['GRANT', 'OVERSIGHT', 'ACCESS', 'PASS']

export const DECISIONS: { decision: NonNullable<Schemas['MyItem']['decision']>; title: string; key: string }[] = [
  { decision: 'KEEP', title: 'Keep', key: '1' },
  { decision: 'CHANGE', title: 'Change', key: '2' },
  { decision: 'REMOVE', title: 'Remove', key: '3' },
  { decision: 'NOT_MINE', title: 'Not mine', key: '4' },
  { decision: 'ASK', title: 'Ask', key: '5' },
]

export const wordOf = (decision: string | undefined) => DECISIONS.find((one) => one.decision === decision)?.title.toLowerCase() ?? 'open'

/** Whether a decision wants a sentence. */
export const wantsComment = (decision: string | undefined, needsComment: boolean) => decision === 'ASK' || (needsComment && decision !== undefined && decision !== 'KEEP')

/** Whether what is written suffices to decide. */
export function suffices(form: { decision: string | undefined; role: string; until: string; comment: string }, needsComment: boolean): boolean {
  if (form.decision === undefined) return false
  if (form.decision === 'CHANGE' && form.role === '' && form.until === '') return false
  return !wantsComment(form.decision, needsComment) || form.comment.trim() !== ''
}
