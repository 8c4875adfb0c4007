<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { followMoved } from '@/common/followMoved'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'

defineProps<{ mayChange: boolean }>()
const id = useId()
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

/**
 * The list is of the fields' places in the type: what a field says is read where it is drawn, so a field that is being
 * filled in stays where it is until the list is asked for again.
 */
const arrangement = ref(0)
const list = ref<{ showWhenThere(index: number): void }>()
const titleOf = (index: number) => KINDS.find((kind) => kind.value === fields.value[index]?.kind)?.title ?? ''
const fetchRows = inPage(
  () => fields.value.map((_, index) => index),
  (index) => `${fields.value[index]!.label} ${titleOf(index)} ${fields.value[index]!.help ?? ''} ${(fields.value[index]!.choices ?? []).join(' ')}`,
  {
    order: (index) => index,
    name: (index) => fields.value[index]!.label,
    kind: titleOf,
    required: (index) => (fields.value[index]!.required ? 0 : 1),
    shown: (index) => (fields.value[index]!.hidden ? 1 : 0),
  },
)
watch(() => fields.value.length, () => arrangement.value++)
/** How high a field usually is, in pixels. */
const ROW = 122
const COLUMNS = [
  { title: 'No.', width: '30px', sort: 'order' },
  { title: 'Field', width: 'minmax(110px, 1.6fr)', sort: 'name' },
  { title: 'Holds', width: 'minmax(118px, 1fr)', sort: 'kind' },
  { title: 'Width', width: 'minmax(78px, 0.6fr)' },
  { title: 'Required', width: '88px', sort: 'required' },
  { title: 'Shown', width: '122px', sort: 'shown' },
]
const inOrder = (sort: string | undefined) => sort === undefined || sort === 'order'

function change(index: number, part: Partial<Schemas['TypeField']>) {
  fields.value = fields.value.map((field, i) => (i === index ? { ...field, ...part } : field))
}
function move(event: Event, index: number, by: number) {
  const list = [...fields.value]
  const [field] = list.splice(index, 1)
  if (field !== undefined) list.splice(index + by, 0, field)
  fields.value = list
  arrangement.value++
  followMoved(event.currentTarget, index, by)
}
function add() {
  const key = `field-${fields.value.length + 1}`
  list.value?.showWhenThere(fields.value.length)
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
  <div class="fields" data-moves>
    <h3>Fields, in the order in which they are shown</h3>
    <PagedList
      ref="list"
      class="sheet list"
      grows
      label="Fields of the type"
      find="Find a field"
      :query-key="['type-fields', id, arrangement]"
      :fetch="fetchRows"
      :columns="COLUMNS"
      :row-height="ROW"
      :at-most="6"
      empty="No fields yet. Name, owner and labels are there anyway."
    >
      <template #row="{ item: i, sort }">
        <template v-if="fields[i]">
          <div role="cell" class="number">{{ i + 1 }}</div>
          <div role="cell">
            <v-text-field :model-value="fields[i].label" :label="`Field ${i + 1}`" hide-details :readonly="!mayChange" @update:model-value="named(i, String($event ?? ''))" />
          </div>
          <div role="cell">
            <v-select :model-value="fields[i].kind" :items="KINDS" label="Holds" hide-details :readonly="!mayChange" @update:model-value="change(i, { kind: $event })" />
          </div>
          <div role="cell">
            <v-text-field
              :model-value="fields[i].width ?? ''"
              type="number"
              min="1"
              max="400"
              label="Width"
              hide-details
              :readonly="!mayChange"
              @update:model-value="change(i, { width: $event === '' || $event === null ? undefined : Number($event) })"
            />
          </div>
          <div role="cell"><v-checkbox :model-value="fields[i].required" label="required" hide-details :disabled="!mayChange" @update:model-value="change(i, { required: Boolean($event) })" /></div>
          <div role="cell"><v-checkbox :model-value="!fields[i].hidden" label="shown in lists" hide-details :disabled="!mayChange" @update:model-value="change(i, { hidden: !$event })" /></div>
          <div role="cell" class="more">
            <v-text-field
              v-if="fields[i].kind === 'CHOICE'"
              :model-value="(fields[i].choices ?? []).join(', ')"
              label="Can be chosen, separated by commas"
              hide-details
              :readonly="!mayChange"
              @change="change(i, { choices: choicesOf(($event.target as HTMLInputElement).value) })"
            />
            <v-text-field :model-value="fields[i].help ?? ''" label="Help for whoever fills it in (may be left empty)" hide-details :readonly="!mayChange" @update:model-value="change(i, { help: $event || undefined })" />
            <span v-if="mayChange" class="acts">
              <template v-if="inOrder(sort)">
                <button type="button" class="linklike" :disabled="i === 0" :data-row-of="fields[i].key" :data-at="i" data-by="-1" :aria-label="`Move ${fields[i].label} up`" @click="move($event, i, -1)">up</button>
                <button type="button" class="linklike" :disabled="i === fields.length - 1" :data-row-of="fields[i].key" :data-at="i" data-by="1" :aria-label="`Move ${fields[i].label} down`" @click="move($event, i, 1)">down</button>
              </template>
              <button type="button" class="linklike" :aria-label="`Take out ${fields[i].label}`" @click="fields = fields.filter((_, at) => at !== i)">take out</button>
            </span>
          </div>
        </template>
      </template>
    </PagedList>
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
.list {
  width: 100%;
}
.list :deep(.body) {
  padding: 10px 14px;
  row-gap: 8px;
}
.number {
  font-family: var(--pg-serif);
  font-weight: 600;
}
.more {
  grid-column: 2 / -1;
  display: flex;
  gap: 12px;
  align-items: center;
}
.acts {
  display: flex;
  flex: none;
  gap: 8px;
}
</style>
