/** A room of the console, with the single key that leads to it. */
export interface Room {
  name: string
  title: string
  key: string
  /** What one does there, said in the palette and in the list of keys. */
  about: string
}

/** The rooms in the order of the work: look first, build, survey, review, answer for it. A room that has no view yet is not here. */
export const STAGES: { title: string; rooms: Room[] }[] = [
  {
    title: 'Look first',
    rooms: [
      { name: 'gatehouse', title: 'Gatehouse', key: 'h', about: 'what needs attention today' },
      { name: 'papers', title: 'Papers', key: 'v', about: 'what you have yourself' },
      { name: 'places', title: 'Places', key: 'p', about: 'the tree and its access lists' },
      { name: 'walk', title: 'Walk', key: 'a', about: 'the repository as somebody else has it' },
    ],
  },
  {
    title: 'Build',
    rooms: [
      { name: 'people', title: 'People', key: 'g', about: 'groups, persons, units' },
      { name: 'roles', title: 'Roles', key: 'o', about: 'named sets of rights' },
      { name: 'types', title: 'Types', key: 't', about: 'fields of documents, and who is cleared' },
      { name: 'walls', title: 'Walls', key: 'w', about: 'who is kept out of what, whatever the lists say' },
    ],
  },
  {
    title: 'Survey',
    rooms: [
      { name: 'matrix', title: 'Matrix', key: 'm', about: 'who has what where, at one glance' },
      { name: 'findings', title: 'Findings', key: 'f', about: 'what needs a look, with what mends it' },
      { name: 'breaks', title: 'Breaks', key: 'b', about: 'every place that stands alone' },
      { name: 'shares', title: 'Shares', key: 'e', about: 'whom people let in, and by which passes' },
    ],
  },
  {
    title: 'Report and review',
    rooms: [
      { name: 'statements', title: 'Statements', key: 's', about: 'who can reach what, as a list' },
      { name: 'rounds', title: 'Rounds', key: 'n', about: 'reviews of what is given, and what came of them' },
      { name: 'reviews', title: 'Reviews', key: 'i', about: 'what you are asked to review' },
    ],
  },
  {
    title: 'Answer for it',
    rooms: [
      { name: 'journal', title: 'Journal', key: 'j', about: 'what was changed, by whom and why' },
      { name: 'duties', title: 'Duties', key: 'u', about: 'who administers what' },
    ],
  },
]

export const ROOMS: Room[] = STAGES.flatMap((stage) => stage.rooms)

/** The stages with only the rooms that somebody’s duties use. */
export function stagesOf(mine: readonly string[]) {
  return STAGES.map((stage) => ({ ...stage, rooms: stage.rooms.filter((room) => mine.includes(room.name)) })).filter((stage) => stage.rooms.length > 0)
}
