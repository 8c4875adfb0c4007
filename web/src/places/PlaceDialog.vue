<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import { useNotices } from '@/common/useNotices'
import { counted, listed } from '@/common/words'
import FaultList from '@/common/FaultList.vue'
import { useDrafting } from '@/tray/useDrafting'
import PlacePicker from './PlacePicker.vue'

/** Name, position and labels of one place. */
const props = defineProps<{ detail: Schemas['PlaceDetail'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const name = ref(props.detail.nameDrafted)
const parent = ref<Schemas['Found']>()
const labels = ref(Object.entries(props.detail.labels).map(([key, value]) => ({ key, value })))
const isRoot = computed(() => props.detail.place.kind === 'repository')

const changes = computed(() => {
  const place = props.detail.place.id
  const list: Schemas['Change'][] = []
  if (name.value.trim() !== props.detail.nameDrafted) list.push({ kind: 'renamePlace', place, name: name.value })
  if (parent.value !== undefined) list.push({ kind: 'movePlace', place, parent: parent.value.id })
  const wanted = Object.fromEntries(labels.value.filter((one) => one.key.trim() !== '' && one.value.trim() !== '').map((one) => [one.key.trim(), one.value.trim()]))
  if (JSON.stringify(Object.entries(wanted).sort()) !== JSON.stringify(Object.entries(props.detail.labels).sort())) list.push({ kind: 'setLabels', place, labels: wanted })
  return list
})

async function save() {
  if (await draft(changes.value)) open.value = false
}
/** What would go with it: asked about before it is drafted, if that is more than the place itself. */
const removal = ref<Schemas['Removal']>()
const notices = useNotices()
const counting = ref(false)
async function remove() {
  counting.value = true
  try {
    const found = await answer(api.GET('/api/places/{id}/removal', { params: { path: { id: props.detail.place.id } } }))
    if (found.changes.length === 1) await removeAll(found)
    else removal.value = found
  } catch (error) {
    notices.fail(error)
  } finally {
    counting.value = false
  }
}
async function removeAll(found: Schemas['Removal']) {
  if (await draft(found.changes)) open.value = false
  else removal.value = undefined
}
const going = computed(() => {
  const found = removal.value
  if (found === undefined) return ''
  const kinds = [counted(found.containers - 1, 'folder'), counted(found.documents, 'document'), ...(found.links > 0 ? [counted(found.links, 'link')] : [])]
  return listed(kinds)
})
</script>

<template>
  <PageDialog v-model="open" max-width="600" scrollable aria-labelledby="place-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="place-title">Change {{ detail.nameDrafted }}</h2>
      <v-text-field v-model="name" label="Name" maxlength="300" />
      <PlacePicker v-if="!isRoot" v-model="parent" label="Move it below another place (stays where it is if left empty)" />
      <p v-if="parent" class="caution">It takes everything below along. The tray then says what its people gain and lose.</p>
      <fieldset>
        <legend>Labels of its own</legend>
        <div v-for="(label, i) in labels" :key="i" class="label">
          <v-text-field v-model="label.key" label="Label" hide-details />
          <v-text-field v-model="label.value" label="Value" hide-details />
          <button type="button" class="linklike" :aria-label="`Take out ${label.key}`" @click="labels.splice(i, 1)">take out</button>
        </div>
        <v-btn size="small" @click="labels.push({ key: '', value: '' })">Add a label</v-btn>
        <p v-if="detail.inheritedLabels.length > 0" class="quiet">
          From above: {{ detail.inheritedLabels.map((one) => `${one.key}: ${one.value} (${one.fromName})`).join(', ') }}. A label of its own stands before one from above.
        </p>
        <p class="quiet">Walls hang on labels: whoever changes which walls cover a place needs the duty for walls.</p>
      </fieldset>
      <FaultList :faults="faults" />
      <div v-if="removal" class="caution" role="alertdialog" aria-label="Remove everything below too?">
        <p>Below it are {{ going }}. All of it goes into the draft to be removed; the tray then says who loses what. Undoing that change later brings it back, with what is in the documents.</p>
        <v-btn size="small" class="is-main" :loading="busy" @click="removeAll(removal)">Remove it with everything below</v-btn>
        <v-btn size="small" @click="removal = undefined">Keep it</v-btn>
      </div>
      <div class="actions">
        <v-btn v-if="!isRoot && !removal" :loading="busy || counting" @click="remove">Remove it</v-btn>
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="changes.length === 0 || name.trim() === ''" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 6px 12px 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.label {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 10px;
  align-items: center;
  width: 100%;
}
form {
  overflow: auto;
}
</style>
