<script setup lang="ts">
import HistoryLink from '@/session/HistoryLink.vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf } from '@/api/problem'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import { useSession } from '@/session/useSession'
import FaultList from '@/common/FaultList.vue'
import { counted, number } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import ClearanceList from './ClearanceList.vue'
import FieldRows from './FieldRows.vue'

const props = defineProps<{
  type?: Schemas['TypeView']
  like?: Schemas['TypeView']
  /** Tells one form for a new type from the next. */
  form?: number
}>()
const emit = defineEmits<{ done: [form: number] }>()

const { may } = useSession()
const { faults, busy, draft } = useDrafting()
const start = props.type ?? props.like
const name = ref(props.type?.name ?? '')
const shortName = ref(props.type?.shortName ?? '')
const guarded = ref(start?.guarded ?? false)
const libraries = ref<string[]>([...(start?.libraries ?? [])])
const fields = ref<Schemas['TypeField'][]>((start?.fields ?? []).map((field) => ({ ...field, choices: [...(field.choices ?? [])] })))
const conversion = ref<Schemas['ConversionView']>()

const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const offered = useQuery({
  queryKey: computed(() => ['children', root.data.value?.id]),
  enabled: computed(() => root.data.value !== undefined),
  queryFn: () => answer(api.GET('/api/places/{id}/children', { params: { path: { id: root.data.value!.id }, query: { drafted: true } } })),
})
const change = computed(() => ({
  kind: 'setType' as const,
  type: props.type?.id,
  name: name.value,
  shortName: shortName.value || undefined,
  guarded: guarded.value,
  libraries: libraries.value,
  fields: fields.value,
}))
const convert = (part: Part) => answer(api.POST('/api/types/conversion', { params: { query: part }, body: change.value }))
const CONVERTED = [
  { title: 'Document', width: '2fr', sort: 'place' },
  { title: 'Field', width: '1fr', sort: 'field' },
  { title: 'Now', width: '1fr', sort: 'before' },
  { title: 'Then', width: '1fr', sort: 'after' },
]
const lackingHead = useQuery({ queryKey: computed(() => ['types', 'lacking', props.type?.id, 'head']), enabled: computed(() => props.type !== undefined), queryFn: () => fetchLacking({ offset: 0, limit: 1 }) })
const lacking = computed(() => lackingHead.data.value?.total ?? 0)
const fetchLacking = (part: Part) => answer(api.GET('/api/types/{id}/lacking', { params: { path: { id: props.type!.id }, query: part } }))

/** A field that becomes of another kind is shown with what cannot be converted before it goes into the draft. */
async function save() {
  if (props.type !== undefined && conversion.value === undefined) {
    try {
      const found = await convert({ offset: 0, limit: 1 })
      if (found.total > 0) {
        conversion.value = found
        return
      }
    } catch (error) {
      faults.value = faultsOf(error)
      return
    }
  }
  const clearances = (props.like?.clearances ?? []).filter((one) => one.current && guarded.value)
  if (await draft([change.value])) {
    conversion.value = undefined
    if (props.like !== undefined && clearances.length > 0) {
      const made = (await answer(api.GET('/api/types'))).find((one) => one.name === name.value.trim() && one.drafted === 'MADE')
      if (made !== undefined) {
        await draft(clearances.map((one) => ({ kind: 'addClearance' as const, type: made.id, subject: { kind: one.subject.kind, id: one.subject.id }, role: one.role })))
      }
    }
    emit('done', props.form ?? 0)
  }
}
</script>

<template>
  <form class="detail" @submit.prevent="save">
    <h2>{{ type ? type.name : like ? `A new type, from ${like.name}` : 'A new type' }}</h2>
    <HistoryLink v-if="type" :id="type.id" kind="type" :name="type.name" />
    <div class="names">
      <v-text-field v-model="name" v-focus-first="type === undefined" label="Name" maxlength="300" hide-details :readonly="!may('types')" />
      <v-text-field v-model="shortName" label="Short name, for narrow columns" maxlength="60" hide-details :readonly="!may('types')" />
      <v-select
        v-model="libraries"
        :items="(offered.data.value ?? []).filter((one) => one.kind === 'library')"
        item-title="name"
        item-value="id"
        label="Used in these libraries (all if left empty)"
        multiple
        clearable
        hide-details
        :readonly="!may('types')"
      />
    </div>
    <v-checkbox v-model="guarded" label="Guarded: only for those who are cleared, whatever the access lists say" hide-details :disabled="!may('types')" />
    <FieldRows v-model="fields" :may-change="may('types')" @update:model-value="conversion = undefined" />
    <div v-if="conversion" class="caution" role="status">
      <p>
        <strong>{{ number(conversion.total - conversion.lost) }} of {{ counted(conversion.total, 'value') }} of documents can be converted.</strong>
        {{ conversion.lost === 0 ? '' : `The other ${number(conversion.lost)} cannot be, and ${conversion.lost === 1 ? 'stays as it is' : 'stay as they are'}.` }}
      </p>
      <PagedList
        class="sheet"
        grows
        label="Values that are converted"
        find="Find a value"
        :query-key="['types', 'conversion', change]"
        :fetch="convert"
        :columns="CONVERTED"
        :row-height="36"
        :at-most="5"
        empty="None."
      >
        <template #row="{ item: one }">
          <div role="cell"><router-link :to="{ name: 'places', params: { id: one.place } }">{{ one.path }}</router-link></div>
          <div role="cell">{{ one.field }}</div>
          <div role="cell">“{{ one.before }}”</div>
          <div role="cell" :class="{ lose: one.after === undefined }">{{ one.after === undefined ? 'cannot be converted' : `becomes “${one.after}”` }}</div>
        </template>
      </PagedList>
    </div>
    <FaultList :faults="faults" />
    <div v-if="may('types')" class="acts">
      <v-btn type="submit" class="is-main" :disabled="name.trim() === ''" :loading="busy">{{
        conversion ? 'Convert, and add to the draft' : type ? 'Add the change to the draft' : 'Add the type to the draft'
      }}</v-btn>
      <v-btn v-if="type && type.documents === 0" :loading="busy" @click="draft([{ kind: 'removeType', type: type.id }])">Remove</v-btn>
    </div>
    <template v-if="type">
      <ClearanceList v-if="type.guarded || guarded" :type="type" />
      <template v-if="lacking > 0">
        <h3>{{ counted(lacking, 'document is', 'documents are') }} not as this type asks</h3>
        <div class="sheet list">
          <PagedList
            label="Documents that are not as the type asks"
            :query-key="['types', 'lacking', type.id]"
            :fetch="fetchLacking"
            :columns="[
              { title: 'Document', width: '2fr', sort: 'name' },
              { title: 'What is wrong', width: '1fr' },
            ]"
            find="Find a document"
            empty="None."
          >
            <template #row="{ item }">
              <div role="cell"><router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link></div>
              <div role="cell">{{ item.faults.join(', ') }}</div>
            </template>
          </PagedList>
        </div>
      </template>
    </template>
  </form>
</template>

<style scoped>
.detail {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.names {
  display: grid;
  grid-template-columns: 1fr 1fr 1.3fr;
  gap: 12px;
}
.acts {
  display: flex;
  gap: 12px;
}
.list {
  height: 220px;
}
@media (max-width: 1100px) {
  .names {
    grid-template-columns: 1fr;
  }
}
</style>
