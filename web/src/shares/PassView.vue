<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import { toTheEndOf } from '@/common/dates'
import { isGone } from '@/common/queries'
import { moment } from '@/common/words'
import FaultList from '@/common/FaultList.vue'
import Paling from '@/paling/Paling.vue'

/** A pass at its address: what it offers, and opening it. */
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const id = computed(() => String(route.params.id ?? ''))
const busy = ref(false)
const faults = ref<FaultLine[]>([])
const pass = useQuery({ queryKey: computed(() => ['papers', 'pass', id.value]), queryFn: () => answer(api.GET('/api/papers/passes/{id}', { params: { path: { id: id.value } } })) })
const begins = computed(() => (pass.data.value?.from !== undefined && new Date(pass.data.value.from) > new Date() ? pass.data.value.from : undefined))

async function open() {
  busy.value = true
  faults.value = []
  try {
    const opened = await answer(api.POST('/api/papers/passes/{id}/opening', { params: { path: { id: id.value } } }))
    await client.invalidateQueries({ queryKey: ['papers'] })
    await router.push({ name: 'papers', params: { id: opened.place } })
  } catch (error) {
    faults.value = faultsOf(error)
    await pass.refetch()
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="pass">
    <div class="sheet">
      <h1>A pass</h1>
      <p v-if="pass.isLoading.value" role="status">Finding out what it opens …</p>
      <template v-else-if="pass.data.value">
        <p>
          {{ pass.data.value.maker }} lets you in to <strong>{{ pass.data.value.place }}</strong>, as {{ pass.data.value.role }}<template v-if="begins">, from {{ moment(begins) }} on</template><template v-if="pass.data.value.until">, {{ toTheEndOf(pass.data.value.until) }}</template
          >.
        </p>
        <p class="rights"><Paling :rights="pass.data.value.rights" :role="pass.data.value.role" /> <span class="quiet">{{ pass.data.value.rights.join(', ') }}</span></p>
        <p v-if="pass.data.value.note">“{{ pass.data.value.note }}”</p>
        <p v-if="pass.data.value.why" class="caution">{{ pass.data.value.why }}</p>
        <FaultList :faults="faults" />
        <router-link v-if="pass.data.value.open && pass.data.value.placeId" :to="{ name: 'papers', params: { id: pass.data.value.placeId } }">You are in: go to {{ pass.data.value.place }}</router-link>
        <v-btn v-else-if="!pass.data.value.why" class="is-main" :loading="busy" @click="open">Open it</v-btn>
      </template>
      <p v-else-if="!isGone(pass.error.value)" class="fault" role="alert">{{ pass.error.value?.message }}</p>
      <p v-else>There is no such pass, or it is not for you. Ask whoever sent you the address.</p>
    </div>
  </div>
</template>

<style scoped>
.pass {
  padding: 24px;
  display: flex;
  justify-content: center;
}
.sheet {
  max-width: 560px;
  flex: 1;
  padding: 22px 26px;
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: flex-start;
}
.rights {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
