<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { ProblemError } from '@/api/problem'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useDraft } from '@/tray/useDraft'

const props = defineProps<{ place: string; placeName: string }>()
const open = defineModel<boolean>({ required: true })

const { add } = useDraft()
const start = ref<'CARRY_OVER' | 'EMPTY'>('CARRY_OVER')
const keeper = ref<Schemas['SubjectView']>()
const fault = ref('')
const candidates = ref<{ id: string; name: string }[]>([])

const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const governing = computed(() => (roles.data.value ?? []).filter((role) => role.rights.includes('govern')))
const keeperRole = ref<string>()
const role = computed({
  get: () => keeperRole.value ?? governing.value[0]?.id,
  set: (id) => (keeperRole.value = id),
})

function name(candidate: { id: string; name: string }) {
  keeper.value = { kind: 'person', id: candidate.id, name: candidate.name, people: 1, outsiders: 0 }
}

async function draft() {
  fault.value = ''
  candidates.value = []
  const keepers =
    keeper.value !== undefined && role.value !== undefined
      ? [{ subject: { kind: keeper.value.kind, id: keeper.value.id }, role: role.value }]
      : undefined
  try {
    await add.mutateAsync({ kind: 'break', place: props.place, start: start.value, keepers })
    open.value = false
  } catch (error) {
    fault.value = error instanceof ProblemError ? error.problem.detail : String(error)
    candidates.value = error instanceof ProblemError ? (error.problem.candidates ?? []) : []
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-labelledby="break-title">
    <form class="sheet pg-dialog" @submit.prevent="draft">
      <h2 id="break-title">Break {{ placeName }}</h2>
      <p>From the break on, {{ placeName }} stands alone: nothing given or withheld further up reaches it or what is below it.</p>
      <v-radio-group v-model="start" label="What it starts with">
        <v-radio value="CARRY_OVER" label="Carry over: what reaches it now becomes its own, so nothing changes yet" />
        <v-radio value="EMPTY" label="Start empty: only its own entries, and whom you name here" />
      </v-radio-group>
      <div class="keeper">
        <SubjectPicker v-model="keeper" label="Who governs it from then on" />
        <v-select v-model="role" :items="governing" item-title="name" item-value="id" label="As" />
      </div>
      <p class="quiet">{{ start === 'EMPTY' ? 'Name somebody on staff, or nobody could undo this.' : 'May be left empty if somebody who governs it is carried over.' }}</p>
      <div v-if="fault" class="fault" role="alert">
        <p>{{ fault }}</p>
        <p v-if="candidates.length > 0">
          Could be named:
          <template v-for="(candidate, i) in candidates" :key="candidate.id"
            ><span v-if="i > 0">, </span><button type="button" class="linklike" @click="name(candidate)">{{ candidate.name }}</button></template
          >.
        </p>
      </div>
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :loading="add.isPending.value">Add to the draft</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.keeper {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 12px;
}
</style>
