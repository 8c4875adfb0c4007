<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { fromKept, kept } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import { useWhy } from '@/common/useWhy'
import WhyAnswer from './WhyAnswer.vue'

const why = useWhy()
const heading = ref<HTMLElement>()

const local = computed(() => (why.target?.at === undefined ? '' : kept(new Date(why.target.at), true)))

function askAt(value: string) {
  if (why.target !== undefined) why.target = { ...why.target, at: fromKept(value)?.toISOString() }
}

watch(
  () => why.target,
  () => void nextTick(() => heading.value?.focus()),
  { immediate: true },
)
</script>

<template>
  <aside v-if="why.target" class="why" aria-labelledby="why-title">
    <div class="top">
      <h2 id="why-title" ref="heading" tabindex="-1">Why</h2>
      <button type="button" class="linklike" @click="why.close()">Close</button>
    </div>
    <WhyAnswer :target="why.target">
      <div class="as-of">
        <DateField looks-back time label="As it was at" :model-value="local" @update:model-value="askAt" />
        <button v-if="why.target.at" type="button" class="linklike" @click="askAt('')">now</button>
      </div>
    </WhyAnswer>
  </aside>
</template>

<style scoped>
.why {
  width: 350px;
  flex: none;
  border-left: 2px solid rgb(var(--v-theme-on-background));
  background: rgb(var(--v-theme-surface));
  padding: 10px 16px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.as-of {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 0.92rem;
}
@media (max-width: 1100px) {
  .why {
    position: absolute;
    right: 0;
    top: 0;
    bottom: 0;
    z-index: 5;
    width: min(380px, 100%);
  }
}
</style>
