<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import { counted, listed } from '@/common/words'
import { lasting, opened, reach } from './share'
import TakeBackDialog from './TakeBackDialog.vue'

/** What one shares oneself, and takes back. */
const open = defineModel<boolean>({ required: true })
const mine = useQuery({ queryKey: ['papers', 'shares'], queryFn: () => answer(api.GET('/api/papers/shares')) })
const taking = ref<Schemas['MyShare']>()
const address = (one: Schemas['MyShare']) => `${window.location.origin}/pass/${one.id}`
</script>

<template>
  <PageDialog v-model="open" max-width="860" scrollable aria-labelledby="mine-title">
    <div class="sheet pg-dialog">
      <h2 id="mine-title">What you share</h2>
      <p v-if="mine.isError.value" class="fault" role="alert">{{ mine.error.value?.message }}</p>
      <p v-else-if="mine.data.value === undefined" role="status">Looking …</p>
      <p v-else-if="mine.data.value.items.length === 0">You share nothing. Where you may, a paper or folder has <em>Share …</em> beside it.</p>
      <template v-else>
        <ul tabindex="0" aria-label="What you share">
          <li v-for="one in mine.data.value.items" :key="one.id">
            <div>
              <p>
                <strong>{{ one.name }}</strong> with {{ listed(one.with) }} <span class="mark">{{ one.kind === 'PASS' ? 'pass' : one.role }}</span>
                <span v-if="one.until === undefined" class="mark warn">without an end</span>
              </p>
              <p class="quiet">{{ one.path }}</p>
              <p class="quiet">
                {{ reach(one.people, one.outside) }}<template v-if="one.kind === 'PASS'">, {{ opened(one) }}</template>; {{ lasting(one) }}.<template v-if="one.note"> {{ one.note }}</template>
              </p>
              <p v-if="one.kind === 'PASS' && one.state !== 'ENDED'" class="address">{{ address(one) }}</p>
            </div>
            <v-btn size="small" :aria-label="`Take back ${one.name}`" @click="taking = one">Take back …</v-btn>
          </li>
        </ul>
        <p v-if="mine.data.value.more > 0" class="quiet">and {{ counted(mine.data.value.more, 'more') }}.</p>
      </template>
      <div class="actions"><v-btn @click="open = false">Close</v-btn></div>
      <TakeBackDialog v-if="taking" :id="taking.id" :key="taking.id" :model-value="true" :name="taking.name" :pass="taking.kind === 'PASS'" @update:model-value="taking = undefined" />
    </div>
  </PageDialog>
</template>

<style scoped>
ul {
  list-style: none;
  max-height: 62vh;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  padding: 8px 0;
  border-bottom: 1px solid var(--pg-line);
}
.address {
  font-family: monospace;
  font-size: 0.92rem;
  user-select: all;
  overflow-wrap: anywhere;
}
</style>
