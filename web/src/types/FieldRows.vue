<script setup lang="ts">
import type { Schemas } from '@/api/client'

defineProps<{ mayChange: boolean }>()
const fields = defineModel<Schemas['TypeField'][]>({ required: true })

const KINDS = [
  { value: 'TEXT', title: 'text' },
  { value: 'NUMBER', title: 'number' },
  { value: 'MONEY', title: 'money' },
  { value: 'DATE', title: 'date' },
  { value: 'CHOICE', title: 'choice' },
  { value: 'FLAG', title: 'yes or no' },
  { value: 'PERSON', title: 'person' },
]

function change(index: number, part: Partial<Schemas['TypeField']>) {
  fields.value = fields.value.map((field, i) => (i === index ? { ...field, ...part } : field))
}
function move(index: number, by: number) {
  const list = [...fields.value]
  const [field] = list.splice(index, 1)
  if (field !== undefined) list.splice(index + by, 0, field)
  fields.value = list
}
function add() {
  const key = `field-${fields.value.length + 1}`
  fields.value = [...fields.value, { key, label: '', kind: 'TEXT', choices: [], required: false, hidden: false }]
}
function choicesOf(text: string): string[] {
  return [...new Set(text.split(',').map((choice) => choice.trim()).filter((choice) => choice !== ''))]
}
/** The key follows the name until documents hold values under it. */
function named(index: number, label: string) {
  const field = fields.value[index]!
  const fresh = field.key.startsWith('field-') || field.key === keyOf(field.label)
  change(index, { label, key: fresh && label !== '' ? keyOf(label) : field.key })
}
function keyOf(label: string): string {
  return label.toLowerCase().trim().replace(/[^a-z0-9]+/g, '-')
}
</script>

<template>
  <div class="fields">
    <h3>Fields, in the order in which they are shown</h3>
    <div v-for="(field, i) in fields" :key="i" class="sheet field">
      <v-text-field :model-value="field.label" :label="`Field ${i + 1}`" hide-details :readonly="!mayChange" @update:model-value="named(i, String($event ?? ''))" />
      <v-select :model-value="field.kind" :items="KINDS" label="Holds" hide-details :readonly="!mayChange" @update:model-value="change(i, { kind: $event })" />
      <v-text-field
        :model-value="field.width ?? ''"
        type="number"
        min="1"
        max="400"
        label="Width"
        hide-details
        :readonly="!mayChange"
        @update:model-value="change(i, { width: $event === '' || $event === null ? undefined : Number($event) })"
      />
      <v-checkbox :model-value="field.required" label="required" hide-details :disabled="!mayChange" @update:model-value="change(i, { required: Boolean($event) })" />
      <v-checkbox :model-value="!field.hidden" label="shown in lists" hide-details :disabled="!mayChange" @update:model-value="change(i, { hidden: !$event })" />
      <span v-if="mayChange" class="acts">
        <button type="button" class="linklike" :disabled="i === 0" :aria-label="`Move ${field.label} up`" @click="move(i, -1)">up</button>
        <button type="button" class="linklike" :disabled="i === fields.length - 1" :aria-label="`Move ${field.label} down`" @click="move(i, 1)">down</button>
        <button type="button" class="linklike" :aria-label="`Take out ${field.label}`" @click="fields = fields.filter((_, at) => at !== i)">take out</button>
      </span>
      <v-text-field
        v-if="field.kind === 'CHOICE'"
        class="line"
        :model-value="(field.choices ?? []).join(', ')"
        label="Can be chosen, separated by commas"
        hide-details
        :readonly="!mayChange"
        @change="change(i, { choices: choicesOf(($event.target as HTMLInputElement).value) })"
      />
      <v-text-field class="line" :model-value="field.help ?? ''" label="Help for whoever fills it in (may be left empty)" hide-details :readonly="!mayChange" @update:model-value="change(i, { help: $event || undefined })" />
    </div>
    <p v-if="fields.length === 0" class="quiet">No fields yet. Name, owner and labels are there anyway.</p>
    <v-btn v-if="mayChange" size="small" @click="add">Add a field</v-btn>
  </div>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.field {
  width: 100%;
  display: grid;
  grid-template-columns: 1.6fr 1fr 0.8fr auto auto auto;
  gap: 8px 12px;
  align-items: center;
  padding: 10px 12px;
}
.acts {
  display: flex;
  gap: 6px;
}
.line {
  grid-column: 1 / -1;
}
@media (max-width: 1100px) {
  .field {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
