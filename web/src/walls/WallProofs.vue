<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted, day, moment, number } from '@/common/words'

/** The evidence that the wall holds, asked for pair by pair, with certificates that can be checked elsewhere. */
const props = defineProps<{ id: string; name: string; drafted: string }>()
const client = useQueryClient()
const query = useQuery({
  queryKey: computed(() => ['walls', 'proofs', props.id]),
  enabled: computed(() => props.drafted !== 'MADE'),
  queryFn: () => answer(api.GET('/api/walls/{id}/proofs', { params: { path: { id: props.id } } })),
})
const own = ref<Schemas['ProofView']>()
const prove = useMutation({
  mutationFn: () => answer(api.POST('/api/walls/{id}/proofs', { params: { path: { id: props.id } } })),
  onSuccess: async (made) => {
    own.value = made
    await client.invalidateQueries({ queryKey: ['walls', 'proofs', props.id] })
  },
})
/** Asked for while it goes on, and once when the page is opened: it goes on when the page is left. */
const underWay = useQuery({
  queryKey: computed(() => ['walls', 'proof-under-way', props.id]),
  enabled: computed(() => props.drafted !== 'MADE'),
  queryFn: () => answer(api.GET('/api/walls/{id}/proofs/under-way', { params: { path: { id: props.id } } })),
  refetchInterval: (one) => (prove.isPending.value || one.state.data?.underWay !== undefined ? 500 : false),
})
const doing = computed(() => underWay.data.value?.underWay)
watch(doing, (now, before) => {
  if (before !== undefined && now === undefined) void client.invalidateQueries({ queryKey: ['walls', 'proofs', props.id] })
})
const callOff = useMutation({
  mutationFn: () => answer(api.DELETE('/api/walls/{id}/proofs/under-way', { params: { path: { id: props.id } } })),
})
const kept = computed(() => query.data.value ?? [])
</script>

<template>
  <div class="proofs">
    <p v-if="drafted === 'MADE'" class="quiet">It is not in force yet. Once it is, it can be proved.</p>
    <template v-else>
      <p class="quiet">
        Everybody whom the wall keeps out is asked about at every place that it covers, as it is in force, and a hundred thousand of these pairs again by the explained stages. The certificate says what was found, of which state, as far as you may know it. Your last fifty are kept here.
      </p>
      <div class="acts">
        <v-btn size="small" class="is-main" :loading="prove.isPending.value" :disabled="doing !== undefined" @click="prove.mutate()">Prove it now</v-btn>
        <span role="status">{{ doing && doing.all > 0 ? `${number(doing.done)} of ${counted(doing.all, 'pair')} asked about …` : prove.isPending.value ? 'Asking about every pair …' : '' }}</span>
        <v-btn v-if="doing" size="small" :loading="callOff.isPending.value" @click="callOff.mutate()">Cancel</v-btn>
      </div>
      <p v-if="prove.isError.value" class="fault" role="alert">{{ prove.error.value?.message }}</p>
      <div v-if="own" class="sheet result" role="status">
        <p :class="own.leaks === 0 ? 'gain' : 'lose'">
          <strong>{{ own.leaks === 0 ? 'It holds.' : `It does not hold: ${counted(own.leaks, 'pair')} of ${number(own.pairs)} leak.` }}</strong>
        </p>
        <p>
          {{ counted(own.pairs, 'pair') }} asked about, {{ counted(own.explained, 'pair') }} of them again by the stages{{ own.planned ? `, as the wall will stand on ${day(own.provedFor)}` : '' }}; {{ number(own.leaks) }} with any
          right.
        </p>
        <p v-for="leak in own.found.slice(0, 5)" :key="leak.person + leak.place" class="lose">{{ leak.person }} has {{ leak.rights.join(', ') }} at {{ leak.place }}.</p>
      </div>
      <table v-if="kept.length > 0">
        <caption class="sr">
          Proofs of
          {{
            name
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">Made</th>
            <th scope="col">By</th>
            <th scope="col">State</th>
            <th scope="col">Pairs</th>
            <th scope="col">With any right</th>
            <th scope="col">Certificate</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="proof in kept" :key="proof.number">
            <td>{{ moment(proof.at) }}</td>
            <td>{{ proof.author }}</td>
            <td><router-link :to="{ name: 'journal', params: { number: proof.change } }">change {{ proof.change }}</router-link></td>
            <td>{{ number(proof.pairs) }}</td>
            <td :class="proof.leaks === 0 ? 'gain' : 'lose'">{{ proof.leaks === 0 ? 'none: it holds' : number(proof.leaks) }}</td>
            <td>
              <a :href="`/api/walls/${encodeURIComponent(id)}/proofs/${proof.number}/file?format=PDF`" download>PDF</a>
              <a :href="`/api/walls/${encodeURIComponent(id)}/proofs/${proof.number}/file?format=JSON`" download>JSON</a>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.proofs {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
.result {
  padding: 6px 12px;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 3px 14px 3px 0;
}
td a + a {
  margin-left: 10px;
}
</style>
