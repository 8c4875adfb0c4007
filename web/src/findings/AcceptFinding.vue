<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import DateField from '@/common/DateField.vue'
import PageDialog from '@/common/PageDialog.vue'
import { endOf } from '@/common/dates'
import FaultList from '@/common/FaultList.vue'

/** Says that a finding is meant to be so, for a while. */
const props = defineProps<{ findingKey: string; facts: string; text: string }>()
const emit = defineEmits<{ close: [] }>()
const reason = ref('')
const until = ref('')
const faults = ref<FaultLine[]>([])
const queries = useQueryClient()

async function accept() {
  faults.value = []
  try {
    await answer(
      api.POST('/api/findings/acceptances', {
        body: { key: props.findingKey, facts: props.facts, reason: reason.value, until: endOf(until.value)! },
      }),
    )
    await queries.invalidateQueries({ queryKey: ['findings'] })
    emit('close')
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
</script>

<template>
  <PageDialog :model-value="true" max-width="560" aria-labelledby="accept-title" @update:model-value="emit('close')">
    <form class="sheet pg-dialog" @submit.prevent="accept">
      <h2 id="accept-title">Accept this finding</h2>
      <p>{{ text }}</p>
      <v-textarea v-model="reason" v-focus-first label="Why" rows="2" maxlength="1000" />
      <DateField v-model="until" label="Until the end of" />
      <p class="quiet">It is left out of the list until then, or until it says something else.</p>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="reason.trim() === '' || until === ''">Accept it</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
