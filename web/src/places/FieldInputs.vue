<script setup lang="ts">
import type { Schemas } from '@/api/client'

defineProps<{ fields: Schemas['TypeField'][]; readonly?: boolean }>()
const values = defineModel<Record<string, string>>({ required: true })

function set(key: string, value: unknown) {
  values.value = { ...values.value, [key]: value === null || value === undefined ? '' : String(value) }
}
const INPUT: Record<string, string> = { DATE: 'date', NUMBER: 'text' }
</script>

<template>
  <div class="inputs">
    <template v-for="field in fields" :key="field.key">
      <v-select
        v-if="field.kind === 'CHOICE' || field.kind === 'FLAG'"
        :model-value="values[field.key] ?? ''"
        :items="field.kind === 'FLAG' ? ['yes', 'no'] : (field.choices ?? [])"
        :label="field.required ? `${field.label} (required)` : field.label"
        :hint="field.help"
        persistent-hint
        clearable
        :readonly="readonly"
        @update:model-value="set(field.key, $event)"
      />
      <v-text-field
        v-else
        :model-value="values[field.key] ?? ''"
        :type="INPUT[field.kind] ?? 'text'"
        :label="field.required ? `${field.label} (required)` : field.label"
        :hint="field.help ?? (field.kind === 'MONEY' ? 'For example 120.50 EUR' : undefined)"
        persistent-hint
        :readonly="readonly"
        @update:model-value="set(field.key, $event)"
      />
    </template>
  </div>
</template>

<style scoped>
.inputs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}
</style>
