<script setup lang="ts">
import PersonField from './PersonField.vue'
import DateField from '@/common/DateField.vue'
import type { Schemas } from '@/api/client'

defineProps<{ fields: Schemas['TypeField'][]; readonly?: boolean; /** Says that whoever fills it in may look people up. */ pickPeople?: boolean }>()
const values = defineModel<Record<string, string>>({ required: true })

function set(key: string, value: unknown) {
  values.value = { ...values.value, [key]: value === null || value === undefined ? '' : String(value) }
}
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
      <DateField
        v-else-if="field.kind === 'DATE' && !readonly"
        :model-value="values[field.key] ?? ''"
        :label="field.required ? `${field.label} (required)` : field.label"
        @update:model-value="set(field.key, $event)"
      />
      <PersonField
        v-else-if="field.kind === 'PERSON' && pickPeople && !readonly"
        :model-value="values[field.key] ?? ''"
        :label="field.required ? `${field.label} (required)` : field.label"
        @update:model-value="set(field.key, $event)"
      />
      <v-text-field
        v-else
        :model-value="values[field.key] ?? ''"
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
