<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useNotices } from '@/common/useNotices'
import { counted, moment, number } from '@/common/words'
import Paling from '@/paling/Paling.vue'
import FieldInputs from '@/places/FieldInputs.vue'
import ShareDialog from '@/shares/ShareDialog.vue'
import OwnReasons from './OwnReasons.vue'
import PaperContent from './PaperContent.vue'

/** One place as a person has it: its fields, its content, and what they may do – with a plain sentence for what they may not. */
const props = defineProps<{ detail: Schemas['PaperDetail'] }>()
/** Whether why one has these rights is open. */
const asking = defineModel<boolean>('why', { default: false })
const emit = defineEmits<{ gone: [to: string] }>()
const notices = useNotices()
const client = useQueryClient()
const busy = ref(false)
const describing = ref(false)
const deleting = ref(false)
const sharing = ref(false)
const name = ref(props.detail.paper.name)
const values = ref<Record<string, string>>({})
const file = ref<HTMLInputElement>()

const id = computed(() => props.detail.paper.id)
const document = computed(() => props.detail.paper.kind === 'document')
const offers = computed(() => new Map(props.detail.acts.map((offer) => [offer.act, offer])))
const may = (act: Schemas['PaperOffer']['act']) => offers.value.has(act) && offers.value.get(act)!.why === undefined
const mayShare = computed(() => props.detail.paper.rights.includes('share'))
const refused = computed(() => props.detail.acts.filter((offer) => offer.why !== undefined))
const newest = computed(() => props.detail.versions[0])

const CONDITIONS = [
  { act: 'CHECK_OUT', condition: 'CHECKED_OUT', on: true, title: 'Check out' },
  { act: 'CHECK_IN', condition: 'CHECKED_OUT', on: false, title: 'Check in' },
  { act: 'MAKE_PRIVATE', condition: 'PRIVATE', on: true, title: 'Make private' },
  { act: 'MAKE_OPEN', condition: 'PRIVATE', on: false, title: 'No longer private' },
  { act: 'FREEZE', condition: 'FROZEN', on: true, title: 'Freeze' },
  { act: 'UNFREEZE', condition: 'FROZEN', on: false, title: 'Release' },
] as const

/** Does it, says so, and shows what it is now; what is refused is said, and nothing is lost. */
async function act(work: () => Promise<unknown>, done: string): Promise<boolean> {
  busy.value = true
  try {
    await work()
    notices.say(done)
    await client.invalidateQueries({ queryKey: ['papers'] })
    return true
  } catch (error) {
    notices.fail(error)
    return false
  } finally {
    busy.value = false
  }
}

const params = computed(() => ({ path: { id: id.value } }))
const put = (one: (typeof CONDITIONS)[number]) =>
  act(() => answer(api.POST('/api/papers/places/{id}/condition', { params: params.value, body: { condition: one.condition, on: one.on } })), `${one.title}: done.`)

function describe() {
  name.value = props.detail.paper.name
  values.value = { ...props.detail.others, ...Object.fromEntries(props.detail.fields.filter((field) => field.value !== undefined).map((field) => [field.field.key, field.value!])) }
  describing.value = true
}
async function save() {
  if (await act(() => answer(api.POST('/api/papers/places/{id}/description', { params: params.value, body: { name: name.value, labels: values.value } })), 'The description is changed.'))
    describing.value = false
}
async function remove() {
  const above = props.detail.path.slice(-2)[0]?.id
  if (await act(() => answer(api.DELETE('/api/papers/places/{id}', { params: params.value })), `${props.detail.paper.name} is deleted. You can put it back from your bin.`)) emit('gone', above ?? '')
}
const restore = (version: number) =>
  act(() => answer(api.POST('/api/papers/places/{id}/versions/{version}/restoration', { params: { path: { id: id.value, version } } })), `What version ${version} held is the newest version now.`)

async function upload(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (chosen === undefined) return
  const kind = chosen.type || 'text/plain'
  await act(
    () =>
      answer(
        api.PUT('/api/places/{id}/content', {
          params: { path: { id: id.value }, header: { 'Content-Type': kind } },
          body: chosen as unknown as never,
          bodySerializer: (body) => body as BodyInit,
          headers: { 'content-type': kind },
        }),
      ),
    `${chosen.name} is the newest version now.`,
  )
}
</script>

<template>
  <div class="paper">
    <div class="title">
      <h2>{{ detail.paper.name }}</h2>
      <template v-if="!detail.paper.passage">
        <Paling :rights="detail.paper.rights" />
        <button type="button" class="linklike" :aria-expanded="asking" :aria-label="`Why you have these rights at ${detail.paper.name}`" @click="asking = !asking">why</button>
      </template>
    </div>
    <section v-if="asking && !detail.paper.passage" class="sheet own" aria-label="Why you have these rights">
      <OwnReasons :id="id" />
    </section>
    <p class="quiet">
      {{ detail.paper.type ?? detail.paper.kind }}<template v-if="detail.owner"> · belongs to {{ detail.owner }}</template
      ><template v-if="detail.checkedOutBy"> · checked out by {{ detail.checkedOutBy }}</template>
      <span v-for="mark in detail.paper.conditions" :key="mark" class="mark">{{ mark }}</span>
    </p>
    <p v-if="detail.paper.passage" class="quiet">You cannot find this place itself; it only leads to something that you can.</p>
    <p v-if="detail.shows">
      Shows <router-link :to="{ name: 'papers', params: { id: detail.shows.id } }">{{ detail.shows.name }}</router-link
      ><span v-if="detail.shows.path" class="quiet">, in {{ detail.shows.path }}</span>
    </p>
    <div v-if="detail.acts.length > 0" class="acts">
      <v-btn v-if="may('DESCRIBE') && !describing" size="small" :disabled="busy" @click="describe">Describe …</v-btn>
      <template v-if="may('REVISE')">
        <v-btn size="small" :disabled="busy" @click="file?.click()">{{ newest ? 'New version …' : 'Put content in …' }}</v-btn>
        <input ref="file" type="file" class="sr" aria-label="The file of the new version" tabindex="-1" accept=".txt,.pdf,.png,.jpg,.jpeg,.odt,.ods" @change="upload" />
      </template>
      <a v-if="may('COPY') && newest" class="copy" :href="`/api/places/${id}/content?copy=true`" download>Take a copy</a>
      <template v-for="one in CONDITIONS" :key="one.act">
        <v-btn v-if="may(one.act)" size="small" :disabled="busy" @click="put(one)">{{ one.title }}</v-btn>
      </template>
      <v-btn v-if="mayShare" size="small" :disabled="busy" @click="sharing = true">Share …</v-btn>
      <v-btn v-if="may('DELETE') && !deleting" size="small" :disabled="busy" @click="deleting = true">Delete …</v-btn>
    </div>
    <div v-if="deleting" class="caution" role="alertdialog" aria-label="Delete it?">
      <p>Delete {{ detail.paper.name }}? It goes from everybody’s papers. For 30 days you can put it back from your bin.</p>
      <v-btn size="small" class="is-main" :loading="busy" @click="remove">Delete it</v-btn>
      <v-btn size="small" @click="deleting = false">Keep it</v-btn>
    </div>
    <ShareDialog v-if="sharing" v-model="sharing" :place="id" :name="detail.paper.name" />
    <form v-if="describing" class="sheet describe" @submit.prevent="save">
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" hide-details />
      <FieldInputs v-model="values" :fields="detail.fields.map((field) => field.field)" />
      <div class="acts">
        <v-btn type="submit" size="small" class="is-main" :disabled="name.trim() === ''" :loading="busy">Save</v-btn>
        <v-btn size="small" @click="describing = false">Leave it</v-btn>
      </div>
    </form>
    <dl v-else-if="detail.fields.length + Object.keys(detail.others).length > 0">
      <template v-for="one in detail.fields" :key="one.field.key">
        <dt>{{ one.field.label }}</dt>
        <dd>{{ one.value ?? '–' }}</dd>
      </template>
      <template v-for="(value, key) in detail.others" :key="key">
        <dt>{{ key }}</dt>
        <dd>{{ value }}</dd>
      </template>
    </dl>
    <PaperContent v-if="document && newest" :id="id" :key="`${id} ${newest.version}`" :version="newest.version" :media-type="newest.mediaType" :name="detail.paper.name" />
    <p v-else-if="document && may('OPEN')" class="quiet">Nothing has been put into it yet.</p>
    <details v-if="detail.versions.length > 1">
      <summary>{{ counted(detail.versions.length, 'version') }}</summary>
      <ul>
        <li v-for="version in detail.versions" :key="version.version">
          <a v-if="may('COPY')" :href="`/api/places/${id}/content?copy=true&version=${version.version}`" download>Version {{ version.version }}</a>
          <template v-else>Version {{ version.version }}</template>
          by {{ version.putBy }}, {{ moment(version.putAt) }}, {{ number(version.bytes) }} bytes
          <button v-if="may('REVISE') && version !== newest" type="button" class="linklike" :disabled="busy" @click="restore(version.version)">Make it the newest again</button>
        </li>
      </ul>
    </details>
    <details v-if="refused.length > 0" class="refused">
      <summary>{{ counted(refused.length, 'thing') }} you may not do here</summary>
      <ul>
        <li v-for="offer in refused" :key="offer.act">{{ offer.why }}</li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.paper {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.title,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.own {
  padding: 12px 14px;
}
.describe {
  padding: 14px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 3px 16px;
}
dt {
  color: var(--pg-quiet);
}
dd {
  margin: 0;
}
ul {
  padding-left: 18px;
}
.refused {
  color: var(--pg-quiet);
}
</style>
