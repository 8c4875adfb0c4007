import { computed, type Ref } from 'vue'

/** Choosing among what is listed: one, with Shift all from the one that was chosen last, all of them, none. */
export function useChoice<Id extends string | number>(listed: () => Id[], chosen: Ref<Id[]>) {
  let last: Id | undefined
  const among = computed(() => new Set(listed()))
  const all = computed(() => among.value.size > 0 && chosen.value.filter((id) => among.value.has(id)).length === among.value.size)
  const some = computed(() => !all.value && chosen.value.some((id) => among.value.has(id)))

  function toggle(id: Id, range: boolean) {
    const ids = listed()
    const [from, to] = [last === undefined ? -1 : ids.indexOf(last), ids.indexOf(id)]
    const meant = range && from >= 0 && to >= 0 ? ids.slice(Math.min(from, to), Math.max(from, to) + 1) : [id]
    const choose = !chosen.value.includes(id)
    chosen.value = choose ? [...new Set([...chosen.value, ...meant])] : chosen.value.filter((one) => !meant.includes(one))
    last = id
  }
  /** What is chosen and not listed now, because it is looked for something else, stays as it is. */
  function toggleAll() {
    chosen.value = all.value ? chosen.value.filter((id) => !among.value.has(id)) : [...new Set([...chosen.value, ...listed()])]
  }
  return { all, some, toggle, toggleAll }
}
