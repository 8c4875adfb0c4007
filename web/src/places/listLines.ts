import type { Schemas } from '@/api/client'

type Line = Schemas['AccessLine']
type Body = Schemas['Change']

function subjectOf(line: Line) {
  return { kind: line.entry.subjectKind, id: line.entry.subjectId }
}

/** The change that takes a line away. */
export function removal(line: Line): Body {
  return { kind: line.entry.kind === 'grant' ? 'removeGrant' : 'removeWithholding', place: line.entry.place, entry: line.entry.id }
}

/** The changes that give the grants among some lines another role: what else they say stays. */
export function withRole(lines: Line[], role: string): Body[] {
  return lines
    .filter((line) => line.entry.kind === 'grant' && line.entry.roleId !== role)
    .flatMap((line) => [removal(line), { ...copied(line, line.entry.place), kind: 'addGrant', role } as Body])
}

function copied(line: Line, place: string) {
  const { from, until, note, typeIds } = line.entry
  return { place, subject: subjectOf(line), types: typeIds.length > 0 ? typeIds : undefined, from, until, note }
}

/** The same entry at another place. What has ended is not worth copying. */
export function copyTo(line: Line, place: string): Body | undefined {
  if (line.state === 'ENDED' || line.drafted === 'REMOVED') return undefined
  const common = copied(line, place)
  return line.entry.kind === 'grant'
    ? { kind: 'addGrant', role: line.entry.roleId!, ...common }
    : { kind: 'addWithholding', rights: line.entry.rights, ...common }
}

/** What a list template keeps of a line. */
export function templateLine(line: Line): Schemas['TemplateLine'] {
  return {
    subject: subjectOf(line),
    subjectName: line.entry.subjectName,
    role: line.entry.roleId,
    rights: line.entry.kind === 'withholding' ? line.entry.rights : undefined,
    types: line.entry.typeIds.length > 0 ? line.entry.typeIds : undefined,
  }
}

/** The change that a template's line makes at a place. */
export function fromTemplate(line: Schemas['TemplateLine'], place: string): Body {
  return line.role !== undefined
    ? { kind: 'addGrant', place, subject: line.subject, role: line.role, types: line.types }
    : { kind: 'addWithholding', place, subject: line.subject, rights: line.rights ?? [], types: line.types }
}
