<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { FORMATS, WEEKDAYS, type Format } from './statement'

/** Lets a statement come by itself, week by week or month by month. */
const props = defineProps<{ recipe: string; title: string }>()
const emit = defineEmits<{ close: [] }>()
const name = ref(props.title.slice(0, 120))
const every = ref<'WEEK' | 'MONTH'>('WEEK')
const day = ref(1)
const format = ref<Format>('XLSX')
const onlyIfChanged = ref(true)
const faults = ref<FaultLine[]>([])
const queries = useQueryClient()
const days = computed(() =>
  every.value === 'WEEK'
    ? WEEKDAYS.map((title, i) => ({ title, value: i + 1 }))
    : Array.from({ length: 31 }, (_, i) => ({ title: i < 28 ? `${i + 1}` : `${i + 1}, or the last`, value: i + 1 })),
)
function turn(to: 'WEEK' | 'MONTH') {
  every.value = to
  day.value = 1
}

async function set() {
  faults.value = []
  try {
    await answer(
      api.POST('/api/statements/regular', {
        body: {
          name: name.value.trim(),
          recipe: props.recipe,
          format: format.value,
          every: every.value,
          day: day.value,
          onlyIfChanged: onlyIfChanged.value,
        },
      }),
    )
    await queries.invalidateQueries({ queryKey: ['statement', 'regular'] })
    emit('close')
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
</script>

<template>
  <PageDialog :model-value="true" max-width="560" aria-labelledby="regular-title" @update:model-value="emit('close')">
    <form class="sheet pg-dialog" @submit.prevent="set">
      <h2 id="regular-title">Make this statement regularly</h2>
      <p class="quiet">
        It is made of what holds then, as far as you may know it then, at six in the morning (UTC). A letter tells you
        that it is there; the file waits among your prepared files for three months, with what changed since the last
        one before the rest.
      </p>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="120" />
      <div class="when">
        <v-select
          label="How often"
          :model-value="every"
          :items="[
            { title: 'Every week', value: 'WEEK' },
            { title: 'Every month', value: 'MONTH' },
          ]"
          @update:model-value="turn"
        />
        <v-select v-model="day" :label="every === 'WEEK' ? 'On' : 'On day'" :items="days" />
        <v-select v-model="format" label="As" :items="[...FORMATS]" />
      </div>
      <v-checkbox v-model="onlyIfChanged" label="Only if it says something else than the last one" />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''">Make it regularly</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.when {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 10px;
}
</style>
