<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PersonPicker from '@/people/PersonPicker.vue'
import FaultList from '@/common/FaultList.vue'
import { useNotices } from '@/common/useNotices'
import { moment } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import FieldInputs from './FieldInputs.vue'
import { typesIn } from './typesThere'

/** A document's type, fields and owner, and what is really in it. */
const props = defineProps<{ detail: Schemas['PlaceDetail'] }>()
const { faults, busy, draft } = useDrafting()
const notices = useNotices()
const client = useQueryClient()
const types = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const type = ref<string | null | undefined>(props.detail.typeId)
const owner = ref<Schemas['PersonView']>()
const values = ref<Record<string, string>>({ ...props.detail.labels })
watch(
  () => props.detail,
  (now) => {
    type.value = now.typeId
    values.value = { ...now.labels }
  },
)
const chosen = computed(() => types.data.value?.find((one) => one.id === type.value))

const content = useQuery({
  queryKey: computed(() => ['content', props.detail.place.id]),
  enabled: computed(() => !props.detail.made),
  queryFn: () => answer(api.GET('/api/places/{id}/content/about', { params: { path: { id: props.detail.place.id } } })),
})

const changes = computed(() => {
  const place = props.detail.place.id
  const list: Schemas['Change'][] = []
  if ((type.value ?? undefined) !== props.detail.typeId || owner.value !== undefined)
    list.push({ kind: 'setDocument', place, type: type.value ?? undefined, owner: owner.value?.id ?? props.detail.ownerId })
  const wanted = Object.fromEntries(Object.entries(values.value).filter(([, value]) => value.trim() !== ''))
  if (JSON.stringify(Object.entries(wanted).sort()) !== JSON.stringify(Object.entries(props.detail.labels).sort())) list.push({ kind: 'setLabels', place, labels: wanted })
  return list
})

async function upload(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file === undefined) return
  try {
    await answer(
      api.PUT('/api/places/{id}/content', {
        params: { path: { id: props.detail.place.id }, header: { 'Content-Type': file.type || 'text/plain' } },
        body: file as unknown as never,
        bodySerializer: (body) => body as BodyInit,
        headers: { 'content-type': file.type || 'text/plain' },
      }),
    )
    notices.say(`${file.name} is in ${props.detail.place.name} now.`)
    await client.invalidateQueries({ queryKey: ['content'] })
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <form class="document" @submit.prevent="draft(changes)">
    <div class="two">
      <v-select v-model="type" :items="typesIn(types.data.value, detail.path[1]?.id)" item-title="name" item-value="id" label="Document type (none if left empty)" clearable :readonly="!detail.mayChange" />
      <PersonPicker v-if="detail.mayChange" v-model="owner" :label="`Owner: ${detail.owner ?? 'nobody'}`" />
    </div>
    <FieldInputs v-if="chosen" v-model="values" pick-people :fields="chosen.fields" :readonly="!detail.mayChange" />
    <FaultList :faults="faults" />
    <v-btn v-if="detail.mayChange" type="submit" class="is-main" :disabled="changes.length === 0" :loading="busy">Add to the draft</v-btn>
    <section class="content" aria-labelledby="content-title">
      <h3 id="content-title">Content</h3>
      <p v-if="detail.made" class="quiet">The document has to be put in force before anything can be put into it.</p>
      <template v-else-if="content.data.value">
        <p v-if="!content.data.value.mayRead" class="quiet">Your duties let you administer the document; to open it you need the right to read it, as a person.</p>
        <p v-else-if="content.data.value.mediaType">
          {{ content.data.value.mediaType === 'application/pdf' ? 'A PDF' : 'A text' }} of {{ Math.ceil((content.data.value.bytes ?? 0) / 1024) }} KB, put there by
          {{ content.data.value.putBy }}, {{ moment(content.data.value.putAt!) }}. <a :href="`/api/places/${detail.place.id}/content`" download>Download</a>
        </p>
        <p v-else class="quiet">There is nothing in it yet.</p>
        <label v-if="content.data.value.mayRevise">Put a text or a PDF into it, at most 2 MB <input type="file" accept=".txt,.pdf,text/plain,application/pdf" @change="upload" /></label>
      </template>
    </section>
  </form>
</template>

<style scoped>
.document {
  padding: 16px;
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: flex-start;
  overflow: auto;
  height: 100%;
}
.document > * {
  width: 100%;
}
.document > .v-btn {
  width: auto;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.content {
  border-top: 1px solid var(--pg-line);
  padding-top: 10px;
}
</style>
