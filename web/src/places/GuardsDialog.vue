<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ detail: Schemas['PlaceDetail'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const ceiling = ref<string | null | undefined>(props.detail.ceiling)
const reserveSharing = ref(props.detail.reserveSharing)
const noTakeaway = ref(props.detail.noTakeaway)

const WHO: { value: Schemas['SharingSaid']['who']; title: string }[] = [
  { value: 'SHARERS', title: 'Whoever may share here' },
  { value: 'KEEPERS', title: 'Only those who also govern' },
  { value: 'NOBODY', title: 'Nobody' },
]
const who = ref<Schemas['SharingSaid']['who'] | null | undefined>(props.detail.sharing?.who)
const outsiders = ref(props.detail.sharing?.outsiders ?? false)
const most = ref<string | null | undefined>(props.detail.sharing?.role)
const days = ref(props.detail.sharing?.days === undefined ? '' : String(props.detail.sharing.days))

/** Only what is another than it was. */
function changes(): Schemas['Change'][] {
  const place = props.detail.place.id
  const guards = { ceiling: ceiling.value ?? undefined, reserveSharing: reserveSharing.value, noTakeaway: noTakeaway.value }
  const was = { ceiling: props.detail.ceiling, reserveSharing: props.detail.reserveSharing, noTakeaway: props.detail.noTakeaway }
  const all: Schemas['Change'][] = []
  if (JSON.stringify(guards) !== JSON.stringify(was)) all.push({ kind: 'setGuards', place, ...guards })
  const said = props.detail.sharing
  if (who.value) {
    const nobody = who.value === 'NOBODY'
    const now = { who: who.value, outsiders: !nobody && outsiders.value, role: nobody ? undefined : (most.value ?? undefined), days: nobody || days.value === '' ? undefined : Number(days.value) }
    if (said === undefined || said.who !== now.who || said.outsiders !== now.outsiders || said.role !== now.role || said.days !== now.days) all.push({ kind: 'setSharing', place, ...now })
  } else if (said !== undefined) all.push({ kind: 'removeSharing', place })
  return all
}
async function save() {
  const drafted = changes()
  if (drafted.length === 0 || (await draft(drafted))) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="620" scrollable aria-labelledby="guards-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="guards-title">Ceiling, house rules and sharing of {{ detail.nameDrafted }}</h2>
      <p class="quiet">They hold here and everywhere below. No break stops them.</p>
      <v-select v-model="ceiling" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Outsiders get at most (no ceiling if left empty)" clearable />
      <v-checkbox v-model="reserveSharing" label="Sharing is only for those who also govern" hide-details />
      <v-checkbox v-model="noTakeaway" label="Taking copies away is only for those who may also revise" hide-details />
      <fieldset>
        <legend>Sharing</legend>
        <p class="quiet">What is said nearer to the root is made narrower here, and never wider.</p>
        <v-select v-model="who" :items="WHO" label="Who shares (nothing said if left empty)" clearable hide-details />
        <template v-if="who && who !== 'NOBODY'">
          <v-checkbox v-model="outsiders" label="Also with outsiders" hide-details />
          <div class="bounds">
            <v-select v-model="most" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Gives at most (no bound if left empty)" clearable hide-details />
            <v-text-field v-model="days" type="number" min="1" max="3650" label="Days at most (no bound if left empty)" hide-details />
          </div>
        </template>
      </fieldset>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 4px 12px 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.bounds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
form {
  overflow: auto;
}
</style>
