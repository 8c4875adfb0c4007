<script setup lang="ts">
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { addDays } from 'date-fns'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import { beginningOf, endOf, kept } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import FaultList from '@/common/FaultList.vue'
import { useNotices } from '@/common/useNotices'
import { counted, listed } from '@/common/words'
import Finder from '@/lists/Finder.vue'
import Paling from '@/paling/Paling.vue'
import { reach } from './share'

/** Letting others in: with whom, how much and until when; what would come of it is worked out before anything happens. */
const props = defineProps<{ place: string; name: string }>()
const open = defineModel<boolean>({ required: true })
const notices = useNotices()
const client = useQueryClient()

const form = ref<HTMLFormElement>()
const by = ref<'share' | 'pass'>('share')
const chosen = ref<Schemas['Recipient'][]>([])
const found = ref<Schemas['Recipient']>()
const role = ref<string>()
const until = ref('')
const uses = ref('')
const note = ref('')
const tell = ref(false)
const busy = ref(false)
const faults = ref<FaultLine[]>([])
const made = ref<string>()

const params = computed(() => ({ path: { id: props.place } }))
/** Once: an end that has been emptied stays so, whatever is looked up again. */
let filled = false
const offer = useQuery({ queryKey: computed(() => ['papers', 'sharing', props.place]), queryFn: () => answer(api.GET('/api/papers/places/{id}/sharing', { params: params.value })) })
watch(
  () => offer.data.value,
  (now) => {
    if (now === undefined) return
    // What is shared is mostly to be read; less or more is chosen.
    if (role.value === undefined) role.value = (now.roles.find((one) => one.rights.includes('read')) ?? now.roles[0])?.id
    if (!filled) until.value = kept(addDays(new Date(), now.days), false)
    filled = true
  },
  { immediate: true },
)
const find = (text: string) => answer(api.GET('/api/papers/recipients', { params: { query: { text } } }))
const idOf = (one: Schemas['Recipient']) => `${one.kind}:${one.id}`
const has = (one: Schemas['Recipient']) => chosen.value.some((other) => idOf(other) === idOf(one))
function take(one: Schemas['Recipient'] | undefined) {
  if (one !== undefined && !has(one)) chosen.value = [...chosen.value, one]
  found.value = undefined
}
function turn(one: Schemas['Recipient']) {
  if (has(one)) chosen.value = chosen.value.filter((other) => idOf(other) !== idOf(one))
  else take(one)
}

const asked = computed<Schemas['ShareAsked']>(() => ({
  subjects: chosen.value.map(({ kind, id }) => ({ kind: kind as Schemas['SubjectRef']['kind'], id })),
  role: role.value ?? '',
  from: beginningOf(''),
  until: endOf(until.value),
  note: note.value.trim() === '' ? undefined : note.value.trim(),
}))
/** What the answer hangs on: a note changes nothing. */
const question = computed(() => JSON.stringify({ ...asked.value, note: undefined }))
const settled = refDebounced(question, 250)
const complete = computed(() => chosen.value.length > 0 && role.value !== undefined && (until.value === '' || asked.value.until !== undefined))
const tried = useQuery({
  queryKey: computed(() => ['papers', 'sharing', props.place, settled.value]),
  enabled: complete,
  queryFn: () => answer(api.POST('/api/papers/places/{id}/sharing', { params: params.value, body: asked.value })),
  placeholderData: keepPreviousData,
})
/** What is confirmed is what is shown: nothing can be sent while the answer is that to another question. */
const current = computed(() => complete.value && settled.value === question.value && !tried.isFetching.value && tried.data.value !== undefined)
const may = computed(() => current.value && tried.data.value!.obstacles.length === 0 && (tried.data.value!.gaining > 0 || tried.data.value!.later))
const named = computed(() => chosen.value.some((one) => one.kind === 'person'))
const chosenRole = computed(() => offer.data.value?.roles.find((one) => one.id === role.value))

const seen = computed(() => {
  const said = tried.data.value
  if (said === undefined) return ''
  if (said.gaining === 0) return said.later ? 'Nobody can do more now, but somebody will later.' : 'They can do all this already, or something keeps it from them: it would give them nothing.'
  const others = said.gaining - said.names.length
  const names = listed([...said.names, ...(others > 0 ? [counted(others, said.names.length > 0 ? 'other' : 'person', said.names.length > 0 ? 'others' : 'people')] : [])])
  return `${reach(said.gaining, said.outside)} ${said.gaining === 1 ? 'is' : 'are'} let in${by.value === 'pass' ? ' once they open it' : ''}: ${names}.`
})

async function share() {
  if (form.value?.reportValidity() === false || !may.value) return
  busy.value = true
  faults.value = []
  try {
    const digest = tried.data.value!.digest
    if (by.value === 'share') {
      await answer(api.POST('/api/papers/places/{id}/shares', { params: params.value, body: { share: asked.value, tell: tell.value && named.value, seen: digest } }))
      notices.say(`${props.name} is shared.`)
      open.value = false
    } else {
      const pass = await answer(
        api.POST('/api/papers/places/{id}/passes', { params: params.value, body: { pass: asked.value, uses: uses.value === '' ? undefined : Number(uses.value), tell: tell.value && named.value, seen: digest } }),
      )
      made.value = `${window.location.origin}/pass/${pass.id}`
    }
    await client.invalidateQueries({ queryKey: ['papers'] })
  } catch (error) {
    faults.value = faultsOf(error)
    await tried.refetch()
  } finally {
    busy.value = false
  }
}
async function copy() {
  try {
    await navigator.clipboard.writeText(made.value!)
    notices.say('The address is on your clipboard.')
  } catch {
    notices.say('Mark the address and copy it: this browser does not let the page do it.')
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="680" scrollable aria-labelledby="share-title">
    <div v-if="made" class="sheet pg-dialog">
      <h2 id="share-title">The pass is made</h2>
      <p>Send this address to whoever it is for. It lets nobody else in, whoever has it.</p>
      <p class="address">{{ made }}</p>
      <div class="actions">
        <v-btn @click="copy">Copy the address</v-btn>
        <v-btn class="is-main" @click="open = false">Done</v-btn>
      </div>
    </div>
    <form v-else ref="form" class="sheet pg-dialog" @submit.prevent="share">
      <h2 id="share-title">Share {{ name }}</h2>
      <p v-if="offer.data.value?.why">{{ offer.data.value.why }}</p>
      <template v-else-if="offer.data.value">
        <div class="segments" role="group" aria-label="How">
          <button type="button" :aria-pressed="by === 'share'" @click="by = 'share'">Let them in now</button>
          <button type="button" :aria-pressed="by === 'pass'" @click="by = 'pass'">Make a pass to send</button>
        </div>
        <fieldset v-if="offer.data.value.proposed.length > 0">
          <legend>With whom</legend>
          <v-checkbox v-for="one in offer.data.value.proposed" :key="idOf(one)" :model-value="has(one)" hide-details @update:model-value="turn(one)">
            <template #label>
              <span>
                <strong>{{ one.name }}</strong> <span class="quiet">{{ reach(one.people, one.outside) }}<template v-if="one.text"> – {{ one.text }}</template></span>
              </span>
            </template>
          </v-checkbox>
        </fieldset>
        <Finder
          :model-value="found"
          label="Somebody else: a person or group"
          kind="recipient"
          :find="find"
          :identify="idOf"
          :about="(one) => (one.kind === 'person' ? (one.outside > 0 ? 'from outside' : 'on staff') : reach(one.people, one.outside))"
          none="Nobody of that name among those whom you know here."
          @update:model-value="take"
        />
        <ul v-if="chosen.length > 0" class="chosen" aria-label="With whom it is shared">
          <li v-for="one in chosen" :key="idOf(one)">
            {{ one.name }} <span v-if="one.outside > 0" class="mark warn">{{ one.kind === 'person' ? 'outsider' : counted(one.outside, 'outsider') }}</span>
            <button type="button" class="linklike" :aria-label="`Not with ${one.name}`" @click="turn(one)">not with them</button>
          </li>
        </ul>
        <div class="pair">
          <v-select v-model="role" :items="offer.data.value.roles" item-title="name" item-value="id" label="They get" hide-details />
          <Paling v-if="chosenRole" :rights="chosenRole.rights" :role="chosenRole.name" />
        </div>
        <div class="pair">
          <DateField v-model="until" :label="offer.data.value.daysAtMost === undefined ? 'To the end of (no end if left empty)' : `To the end of (${counted(offer.data.value.daysAtMost, 'day')} at most)`" />
          <v-text-field v-if="by === 'pass'" v-model="uses" type="number" min="1" max="100000" label="People at most (any number if left empty)" />
        </div>
        <v-text-field v-model="note" label="What for (may be left empty)" maxlength="2000" hide-details />
        <v-checkbox v-if="named" v-model="tell" label="Write to the people who are named one by one" hide-details />
        <div class="said" role="status">
          <p v-if="!complete" class="quiet">Say with whom: what would come of it is then worked out here.</p>
          <p v-else-if="tried.isError.value" class="fault">{{ tried.error.value?.message }}</p>
          <p v-else-if="!current" class="quiet">Working it out …</p>
          <template v-else-if="tried.data.value!.obstacles.length > 0">
            <p v-for="one in tried.data.value!.obstacles" :key="one.about + one.what" class="caution">{{ one.what }} {{ one.remedy }}</p>
          </template>
          <p v-else :class="{ caution: tried.data.value!.outside > 0 }">{{ seen }}</p>
        </div>
        <FaultList :faults="faults" />
      </template>
      <p v-else-if="offer.isError.value" class="fault" role="alert">{{ offer.error.value?.message }}</p>
      <p v-else role="status">Finding out what you may share …</p>
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn v-if="offer.data.value && !offer.data.value.why" type="submit" class="is-main" :disabled="!may" :loading="busy">{{ by === 'share' ? 'Share it' : 'Make the pass' }}</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.segments {
  align-self: flex-start;
}
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 2px 12px 6px;
}
.chosen .linklike {
  margin-left: 6px;
}
.chosen {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  max-height: 130px;
  overflow: auto;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: center;
}
.said {
  min-height: 1.6em;
}
.address {
  font-family: monospace;
  user-select: all;
  overflow-wrap: anywhere;
}
@media (max-width: 620px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
</style>
