import type { Schemas } from '@/api/client'

/** The types that may be used in a library: most may everywhere. */
export function typesIn(types: Schemas['TypeView'][] | undefined, library: string | undefined): Schemas['TypeView'][] {
  return (types ?? []).filter((type) => type.libraries.length === 0 || (library !== undefined && type.libraries.includes(library)))
}
