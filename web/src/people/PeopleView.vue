<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/session/useSession'
import ComparisonView from './ComparisonView.vue'
import GroupDetail from './GroupDetail.vue'
import GroupDialog from './GroupDialog.vue'
import GroupList from './GroupList.vue'
import PersonDetail from './PersonDetail.vue'
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
const view = computed(() => (VIEWS.some((one) => one.view === route.params.view) ? String(route.params.view) : 'groups'))
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const wide = computed(() => view.value === 'sketch' || view.value === 'side-by-side')
const making = ref<'group' | 'person' | 'unit'>()

function go(to: string, chosen?: string) {
  void router.push({ name: 'people', params: { view: to, id: chosen ?? '' } })
}
</script>

<template>
  <div class="people" :class="{ wide }">
    <section class="left" aria-label="People">
      <div class="head">
        <h1>People</h1>
        <div class="segments" role="group" aria-label="What to show">
          <button v-for="one in VIEWS" :key="one.view" type="button" :aria-pressed="view === one.view" @click="go(one.view)">{{ one.title }}</button>
        </div>
        <template v-if="may('people')">
          <v-btn v-if="view === 'groups'" size="small" class="is-main" @click="making = 'group'">New group</v-btn>
          <v-btn v-if="view === 'persons'" size="small" class="is-main" @click="making = 'person'">New person</v-btn>
          <v-btn v-if="view === 'units'" size="small" class="is-main" @click="making = 'unit'">New unit</v-btn>
        </template>
      </div>
      <GroupList v-if="view === 'groups'" :chosen="id" @choose="go('groups', $event)" />
      <PersonList v-else-if="view === 'persons'" :chosen="id" @choose="go('persons', $event)" />
      <UnitTree v-else-if="view === 'units'" @person="go('persons', $event)" />
      <SketchView v-else-if="view === 'sketch'" @group="go('groups', $event)" />
      <ComparisonView v-else />
    </section>
    <section v-if="!wide && view !== 'units'" class="right" aria-label="Chosen">
      <GroupDetail v-if="view === 'groups' && id" :id="id" :key="id" />
      <PersonDetail v-else-if="view === 'persons' && id" :id="id" :key="id" />
      <div v-else class="hint">
        <h2>{{ view === 'groups' ? 'Groups are buckets of access' : 'People start with nothing' }}</h2>
        <p class="quiet">
          {{
            view === 'groups'
              ? 'Make a group for each kind of work, fill it, and give access to the group. Choose one to see who is in it, by which way, and what that lets them do.'
              : 'Nobody has any access until an entry, a group or a unit gives it. Choose somebody to see where they belong. Whoever leaves is made inactive, never erased.'
          }}
        </p>
      </div>
    </section>
    <GroupDialog v-if="making === 'group'" :model-value="true" @update:model-value="making = undefined" />
    <PersonDialog v-if="making === 'person'" :model-value="true" @update:model-value="making = undefined" />
    <UnitDialog v-if="making === 'unit'" :model-value="true" @update:model-value="making = undefined" />
  </div>
</template>

<style scoped>
.people {
  height: 100%;
  display: flex;
  gap: 20px;
  padding: 16px 22px;
}
.left {
  width: 47%;
  flex: none;
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.wide .left {
  width: 100%;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 14px;
}
.head > .v-btn {
  margin-left: auto;
}
.left > :last-child {
  flex: 1;
  min-height: 200px;
}
.right {
  flex: 1;
  min-width: 0;
  min-height: 0;
  overflow: auto;
}
.hint {
  padding: 46px 20px;
  max-width: 34em;
}
@media (max-width: 900px) {
  .people {
    flex-direction: column;
    overflow: auto;
  }
  .left {
    width: 100%;
    min-height: 320px;
  }
}
</style>
