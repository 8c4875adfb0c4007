<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, plainly } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import MenuButton from '@/common/MenuButton.vue'
import FaultList from '@/common/FaultList.vue'
import { useNotices } from '@/common/useNotices'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import { copyTo, fromTemplate, removal, templateLine, withRole } from './listLines'
import PlacePicker from './PlacePicker.vue'

/** What can be done with many lines of a list at once. */
const props = defineProps<{ place: string; placeName: string; lines: Schemas['AccessLine'][]; selected: string[] }>()
const emit = defineEmits<{ done: [] }>()
const { faults, busy, draft, draftAt } = useDrafting()
const notices = useNotices()
const client = useQueryClient()
const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const templates = useQuery({ queryKey: ['list-templates'], queryFn: () => answer(api.GET('/api/list-templates')) })
const chosen = computed(() => props.lines.filter((line) => props.selected.includes(line.entry.id)))
const role = ref<string>()
const dialog = ref<'copy' | 'keep' | 'use'>()
const other = ref<Schemas['Found']>()
const name = ref('')
const template = ref<number>()
const linesOfTemplate = computed(() => templates.data.value?.find((one) => one.id === template.value)?.lines ?? [])
type TemplateLine = (typeof linesOfTemplate.value)[number]
const gives = (line: TemplateLine) => roles.data.value?.find((one) => one.id === line.role)?.name ?? `withholds ${(line.rights ?? []).join(', ')}`
const fetchTemplate = inPage(() => linesOfTemplate.value, (line) => `${line.subjectName} ${gives(line)}`, { who: (line) => line.subjectName ?? '', what: gives })
const COLUMNS = [
  { title: 'Who', width: '1fr', sort: 'who' },
  { title: 'What', width: '1fr', sort: 'what' },
]

async function setRole() {
  if (role.value !== undefined && (await draftAt(withRole(chosen.value, role.value)))) emit('done')
}
async function removeAll() {
  if (await draftAt(chosen.value.map(removal))) emit('done')
}
async function copy() {
  const list = await answer(api.GET('/api/places/{id}/access', { params: { path: { id: other.value!.id } } }))
  const changes = list.lines.flatMap((line) => copyTo(line, props.place) ?? [])
  if (changes.length === 0) faults.value = [plainly(`Nothing acts at ${other.value!.name}. Choose another place.`)]
  else if (await draft(changes)) dialog.value = undefined
}
async function keep() {
  faults.value = []
  try {
    const lines = (chosen.value.length > 0 ? chosen.value : props.lines).map(templateLine)
    await answer(api.POST('/api/list-templates', { body: { name: name.value, lines } }))
    await client.invalidateQueries({ queryKey: ['list-templates'] })
    notices.say(`The list is kept as ${name.value}.`)
    dialog.value = undefined
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
async function use() {
  const found = templates.data.value?.find((one) => one.id === template.value)
  if (found !== undefined && (await draft(found.lines.map((line) => fromTemplate(line, props.place))))) dialog.value = undefined
}
async function forget() {
  const gone = templates.data.value?.find((one) => one.id === template.value)
  try {
    await answer(api.DELETE('/api/list-templates/{id}', { params: { path: { id: template.value! } } }))
    template.value = undefined
    await client.invalidateQueries({ queryKey: ['list-templates'] })
    notices.say(`${gone?.name} is forgotten. What was added from it stays.`)
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
async function submit() {
  if (dialog.value === 'copy') await copy()
  else if (dialog.value === 'keep') await keep()
  else await use()
}
</script>

<template>
  <div class="tools" role="toolbar" aria-label="Many lines at once">
    <template v-if="chosen.length > 0">
      <span>{{ counted(chosen.length, 'line') }} chosen</span>
      <v-select v-model="role" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Role" hide-details density="compact" />
      <v-btn size="small" :disabled="role === undefined" :loading="busy" @click="setRole">Give them this role</v-btn>
      <v-btn size="small" :loading="busy" @click="removeAll">Remove them</v-btn>
    </template>
    <MenuButton
      title="This list …"
      label="More to do with this access list"
      :entries="[
        { title: 'Copy a list to here …', run: () => (dialog = 'copy') },
        { title: 'Use a template …', run: () => (dialog = 'use') },
        { title: 'Keep as a template …', run: () => (dialog = 'keep'), disabled: lines.length === 0 },
      ]"
    />
    <PageDialog :model-value="dialog !== undefined" max-width="500" aria-labelledby="tools-title" @update:model-value="dialog = undefined">
      <form class="sheet pg-dialog" @submit.prevent="submit">
        <h2 id="tools-title">{{ dialog === 'copy' ? `Copy a list to ${placeName}` : dialog === 'keep' ? 'Keep this list as a template' : `Use a template at ${placeName}` }}</h2>
        <template v-if="dialog === 'copy'">
          <PlacePicker v-model="other" label="From which place" />
          <p class="quiet">Everything that acts there, its own and from above, is added here; what stands here stays.</p>
        </template>
        <template v-else-if="dialog === 'keep'">
          <v-text-field v-model="name" v-focus-first label="Name of the template" maxlength="200" />
          <p class="quiet">{{ chosen.length > 0 ? 'The chosen lines' : 'All lines' }} are kept. A template gives nobody anything by itself.</p>
        </template>
        <template v-else>
          <v-autocomplete v-model="template" :items="templates.data.value ?? []" item-title="name" item-value="id" label="Template" />
          <PagedList v-if="template !== undefined" label="Lines of the template" find="Find a line" :query-key="['template-lines', template, templates.dataUpdatedAt.value, roles.dataUpdatedAt.value]" :fetch="fetchTemplate" :columns="COLUMNS" :row-height="30" :at-most="7" empty="It has no lines.">
            <template #row="{ item: line }">
              <div role="cell">{{ line.subjectName }}</div>
              <div role="cell">{{ gives(line) }}</div>
            </template>
          </PagedList>
          <p v-if="template !== undefined"><button type="button" class="linklike" @click="forget">Forget this template</button></p>
          <p v-if="(templates.data.value?.length ?? 0) === 0" class="quiet">There are none yet. Keep a list as a template to use it elsewhere.</p>
        </template>
        <FaultList :faults="faults" />
        <div class="actions">
          <v-btn @click="dialog = undefined">Cancel</v-btn>
          <v-btn
            type="submit"
            class="is-main"
            :loading="busy"
            :disabled="(dialog === 'copy' && other === undefined) || (dialog === 'keep' && name.trim() === '') || (dialog === 'use' && template === undefined)"
            >{{ dialog === 'keep' ? 'Keep it' : 'Add to the draft' }}</v-btn
          >
        </div>
      </form>
    </PageDialog>
  </div>
</template>

<style scoped>
.lines {
  padding-left: 20px;
}
.tools {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.tools .v-select {
  max-width: 180px;
}
</style>
