<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import PageDialog from '@/common/PageDialog.vue'
import { beginningOf, endOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import { answer, api, type Schemas } from '@/api/client'
import { ProblemError } from '@/api/problem'
import Paling from '@/paling/Paling.vue'
import { CLUSTERS, LETS } from '@/paling/rights'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useDraft } from '@/tray/useDraft'

const props = defineProps<{ place: string; placeName: string }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()

const { add } = useDraft()
const form = ref<HTMLFormElement>()
const kind = ref<'grant' | 'withholding'>('grant')
const subject = ref<Schemas['SubjectView']>()
const role = ref<string>()
const rights = ref<string[]>([])
const types = ref<string[]>([])
const from = ref('')
const until = ref('')
const note = ref('')
const faults = ref<string[]>([])

const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const typeList = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const chosenRole = computed(() => roles.data.value?.find((one) => one.id === role.value))
const complete = computed(() => subject.value !== undefined && (kind.value === 'grant' ? role.value !== undefined : rights.value.length > 0))

/** After one, what it gives and how long stay for the next: only whom is asked again. */
async function draft(another: boolean) {
  faults.value = []
  if (form.value?.reportValidity() === false) return
  const common = {
    place: props.place,
    subject: { kind: subject.value!.kind, id: subject.value!.id },
    types: types.value.length > 0 ? types.value : undefined,
    from: beginningOf(from.value),
    until: endOf(until.value),
    note: note.value.trim() === '' ? undefined : note.value.trim(),
  }
  try {
    await add.mutateAsync(
      kind.value === 'grant'
        ? { kind: 'addGrant', role: role.value!, ...common }
        : { kind: 'addWithholding', rights: rights.value, ...common },
    )
    emit('done')
    if (!another) open.value = false
    else {
      subject.value = undefined
      form.value?.querySelector('input')?.focus()
    }
  } catch (error) {
    faults.value =
      error instanceof ProblemError
        ? (error.problem.faults?.map((fault) => `${fault.what} ${fault.remedy}`) ?? [error.problem.detail])
        : [String(error)]
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="640" scrollable aria-labelledby="add-title">
    <form ref="form" class="sheet pg-dialog" @submit.prevent="draft(false)">
      <h2 id="add-title">Add an entry at {{ placeName }}</h2>
      <div class="segments" role="group" aria-label="What the entry does">
        <button type="button" :aria-pressed="kind === 'grant'" @click="kind = 'grant'">Give a role</button>
        <button type="button" :aria-pressed="kind === 'withholding'" @click="kind = 'withholding'">Withhold rights</button>
      </div>
      <SubjectPicker v-model="subject" :label="kind === 'grant' ? 'To whom: a person, group or unit' : 'From whom: a person, group or unit'" />
      <p v-if="subject && subject.outsiders > 0" class="caution">
        {{ subject.outsiders }} of the {{ subject.people }} people named by {{ subject.name }} are outsiders.
      </p>
      <div v-if="kind === 'grant'" class="role">
        <v-select v-model="role" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Role" />
        <Paling v-if="chosenRole" :rights="chosenRole.rights" :role="chosenRole.name" origin="HERE" />
      </div>
      <fieldset v-else>
        <legend>Rights to withhold</legend>
        <div class="rights">
          <div v-for="cluster in CLUSTERS" :key="cluster[0]">
            <v-checkbox v-for="right in cluster" :key="right" v-model="rights" :value="right" :label="right" :title="LETS[right]" />
          </div>
        </div>
      </fieldset>
      <v-select
        v-model="types"
        :items="typeList.data.value ?? []"
        item-title="name"
        item-value="id"
        label="Only for documents of these types (all if left empty)"
        multiple
        chips
        clearable
      />
      <div class="dates">
        <DateField v-model="from" label="From (at once if left empty)" />
        <DateField v-model="until" label="To the end of (no end if left empty)" />
      </div>
      <v-text-field v-model="note" label="Note (may be left empty)" maxlength="2000" />
      <div v-if="faults.length > 0" class="fault" role="alert">
        <p v-for="fault in faults" :key="fault">{{ fault }}</p>
      </div>
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn :disabled="!complete" :loading="add.isPending.value" @click="draft(true)">Add, and another</v-btn>
        <v-btn type="submit" class="is-main" :disabled="!complete" :loading="add.isPending.value">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.segments {
  align-self: flex-start;
}
.role {
  display: flex;
  gap: 16px;
  align-items: center;
}
.dates {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 4px 12px 8px;
}
.rights {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
}
form {
  overflow: auto;
}
</style>
