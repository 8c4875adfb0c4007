<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/session/useSession'
import TwoSides from '@/common/TwoSides.vue'
import ComparisonView from './ComparisonView.vue'
import GroupDetail from './GroupDetail.vue'
import GroupDialog from './GroupDialog.vue'
import GroupList from './GroupList.vue'
import PersonDetail from './PersonDetail.vue'
import PeopleTableDialog from './PeopleTableDialog.vue'
import PersonDialog from './PersonDialog.vue'
import PersonList from './PersonList.vue'
import SketchView from './SketchView.vue'
import UnitDialog from './UnitDialog.vue'
import UnitTree from './UnitTree.vue'

const VIEWS = [
  { view: 'groups', title: 'Groups' },
  { view: 'persons', title: 'Persons' },
  { view: 'units', title: 'Units' },
  { view: 'sketch', title: 'Sketch' },
  { view: 'side-by-side', title: 'Side by side' },
]

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const view = computed(() =>
  VIEWS.some((one) => one.view === route.params.view) ? String(route.params.view) : 'groups',
)
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const wide = computed(() => view.value === 'sketch' || view.value === 'side-by-side')
const making = ref<'group' | 'person' | 'people' | 'unit'>()

function go(to: string, chosen?: string) {
  void router.push({ name: 'people', params: { view: to, id: chosen ?? '' } })
}
</script>

<template>
  <TwoSides list="People" chosen="Chosen" width="47%" :alone="wide || view === 'units'">
    <template #head>
      <h1>People</h1>
      <div class="segments" role="group" aria-label="What to show">
        <button
          v-for="one in VIEWS"
          :key="one.view"
          type="button"
          :aria-pressed="view === one.view"
          @click="go(one.view)"
        >
          {{ one.title }}
        </button>
      </div>
      <div id="find-here" class="find-here"></div>
      <template v-if="may('people')">
        <v-btn v-if="view === 'groups'" size="small" class="is-main" @click="making = 'group'">New group</v-btn>
        <v-btn v-if="view === 'persons'" size="small" @click="making = 'people'">Many at once</v-btn>
        <v-btn v-if="view === 'persons'" size="small" class="is-main" @click="making = 'person'">New person</v-btn>
        <v-btn v-if="view === 'units'" size="small" class="is-main" @click="making = 'unit'">New unit</v-btn>
      </template>
    </template>
    <template #list>
      <GroupList v-if="view === 'groups'" class="whole" :chosen="id" @choose="go('groups', $event)" />
      <PersonList v-else-if="view === 'persons'" class="whole" :chosen="id" @choose="go('persons', $event)" />
      <UnitTree v-else-if="view === 'units'" class="whole" @person="go('persons', $event)" />
      <SketchView v-else-if="view === 'sketch'" class="whole" @group="go('groups', $event)" />
      <ComparisonView v-else class="whole" />
    </template>
    <GroupDetail v-if="view === 'groups' && id" :id="id" :key="id" />
    <PersonDetail v-else-if="view === 'persons' && id" :id="id" :key="id" />
    <div v-else class="hint">
      <h2>{{ view === 'groups' ? 'A group gives its members access' : 'People start with nothing' }}</h2>
      <p class="quiet">
        {{
          view === 'groups'
            ? 'Make a group for each kind of work, fill it, and give access to the group. Choose one to see who is in it, by which way, and what that lets them do.'
            : 'Nobody has any access until an entry, a group or a unit gives it. Choose somebody to see where they belong. Whoever leaves is made inactive, never erased.'
        }}
      </p>
    </div>
  </TwoSides>
  <GroupDialog v-if="making === 'group'" :model-value="true" @update:model-value="making = undefined" />
  <PersonDialog v-if="making === 'person'" :model-value="true" @update:model-value="making = undefined" />
  <PeopleTableDialog v-if="making === 'people'" :model-value="true" @update:model-value="making = undefined" />
  <UnitDialog v-if="making === 'unit'" :model-value="true" @update:model-value="making = undefined" />
</template>

<style scoped>
.whole {
  flex: 1;
  min-height: 200px;
}
</style>
