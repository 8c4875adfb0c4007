<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useNotices } from '@/common/useNotices'
import { counted, listed } from '@/common/words'

/** Taking back what one shares: who loses by it, and by what else some are still in. */
const props = defineProps<{ id: string; name: string; pass: boolean }>()
const open = defineModel<boolean>({ required: true })
const notices = useNotices()
const client = useQueryClient()
const busy = ref(false)
const faults = ref<FaultLine[]>([])
const params = computed(() => ({ path: { id: props.id } }))
const tried = useQuery({ queryKey: computed(() => ['papers', 'shares', props.id, 'taking-back']), queryFn: () => answer(api.GET('/api/papers/shares/{id}/taking-back', { params: params.value })) })

async function takeBack() {
  busy.value = true
  faults.value = []
  try {
    await answer(api.POST('/api/papers/shares/{id}/taking-back', { params: params.value, body: { seen: tried.data.value!.digest } }))
    notices.say(`${props.name} is no longer shared so.`)
    open.value = false
    await client.invalidateQueries({ queryKey: ['papers'] })
  } catch (error) {
    faults.value = faultsOf(error)
    await tried.refetch()
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="560" scrollable aria-labelledby="take-back-title">
    <form class="sheet pg-dialog" @submit.prevent="takeBack">
      <h2 id="take-back-title">Take back {{ name }}</h2>
      <p v-if="tried.isError.value" class="fault" role="alert">{{ tried.error.value?.message }}</p>
      <p v-else-if="tried.data.value === undefined" role="status">Working it out …</p>
      <template v-else>
        <p>
          {{ tried.data.value.losing === 0 ? 'Nobody loses anything by it' : `${counted(tried.data.value.losing, 'person loses', 'people lose')} something by it` }}, at once.
          <template v-if="pass">The pass opens no more, and everything that was opened through it ends.</template>
        </p>
        <template v-if="tried.data.value.stillIn.length > 0">
          <p class="caution">{{ counted(tried.data.value.stillIn.length + tried.data.value.more, 'person is', 'people are') }} still in by other ways:</p>
          <ul tabindex="0" aria-label="Who is still in">
            <li v-for="one in tried.data.value.stillIn" :key="one.person + one.ways.join()">
              {{ one.person }}, by {{ listed(one.ways) }}: <span class="quiet">{{ one.rights.join(', ') }}</span>
            </li>
          </ul>
          <p v-if="tried.data.value.more > 0" class="quiet">and {{ counted(tried.data.value.more, 'other') }}.</p>
        </template>
        <p v-else class="quiet">Nobody whom it let in is in by another way.</p>
      </template>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Leave it</v-btn>
        <v-btn type="submit" class="is-main" :disabled="tried.data.value === undefined || tried.isFetching.value" :loading="busy">Take it back</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
ul {
  max-height: 220px;
  overflow: auto;
  padding-left: 18px;
}
</style>
