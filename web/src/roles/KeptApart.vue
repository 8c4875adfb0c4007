<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import DraftedMark from '@/common/DraftedMark.vue'
import { counted } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import PersonName from '@/people/PersonName.vue'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import SeparationDialog from './SeparationDialog.vue'

/** What no one person is to hold together, and who does. */
const { may } = useSession()
const { draftAt } = useDrafting()
const query = useQuery({ queryKey: ['separations'], queryFn: () => answer(api.GET('/api/separations')) })
const editing = ref<Schemas['SeparationView'] | 'new'>()
const opened = ref<string>()
const fetchPeople = (id: string) => (part: Part) => answer(api.GET('/api/separations/{id}/people', { params: { path: { id }, query: part } }))
const COLUMNS = [
  { title: 'Person', width: '1fr', sort: 'name' },
  { title: 'First at', width: '1.6fr' },
  { title: 'Places', width: '70px', sort: '-places' },
]
</script>

<template>
  <section class="apart" aria-labelledby="apart-title">
    <div class="head">
      <h2 id="apart-title">Kept apart</h2>
      <v-btn v-if="may('access')" size="small" @click="editing = 'new'">Keep something apart</v-btn>
    </div>
    <p class="quiet">What no one person is to hold together. It takes nothing from anybody: whoever does is a finding, and a draft that would bring somebody to it says so.</p>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="query.isFetched.value && (query.data.value ?? []).length === 0" class="quiet">Nothing is kept apart yet.</p>
    <article v-for="one in query.data.value ?? []" :key="one.id" class="sheet one">
      <div class="head">
        <h3>{{ one.name }} <DraftedMark :drafted="one.drafted" /></h3>
        <span v-if="may('access')" class="acts">
          <button type="button" class="linklike" :aria-label="`Change ${one.name}`" @click="editing = one">Change</button>
          <button type="button" class="linklike" :aria-label="`No longer keep ${one.name} apart`" @click="draftAt([{ kind: 'removeSeparation', separation: one.id }])">Remove</button>
        </span>
      </div>
      <p v-if="one.reason">{{ one.reason }}</p>
      <ol>
        <li v-for="side in one.sides" :key="side.words">{{ side.words }}</li>
      </ol>
      <p class="quiet">{{ one.within === 'PLACE' ? 'Not at one place' : 'Nowhere' }}<template v-if="one.needsApproval">; a second person must approve what brings somebody to it</template>.</p>
      <button v-if="one.broken > 0" type="button" class="linklike warn" :aria-expanded="opened === one.id" @click="opened = opened === one.id ? undefined : one.id">
        {{ counted(one.broken, 'person holds', 'people hold') }} it together
      </button>
      <p v-else class="quiet">Nobody holds it together.</p>
      <PagedList v-if="opened === one.id" :label="`Who holds ${one.name} together`" :query-key="['separations', one.id]" :fetch="fetchPeople(one.id)" :columns="COLUMNS" :at-most="10" empty="Nobody any more.">
        <template #row="{ item }">
          <div role="cell"><PersonName :person="item.person" link /></div>
          <div role="cell" class="cut" :title="item.path">
            <router-link v-if="item.placeId" :to="{ name: 'places', params: { id: item.placeId } }">{{ item.path }}</router-link>
          </div>
          <div role="cell">{{ item.places || '' }}</div>
        </template>
      </PagedList>
    </article>
    <SeparationDialog v-if="editing" :key="editing === 'new' ? 'new' : editing.id" :model-value="true" :line="editing === 'new' ? undefined : editing" @update:model-value="editing = undefined" />
  </section>
</template>

<style scoped>
.apart {
  display: flex;
  flex-direction: column;
  gap: 10px;
  max-width: 80ch;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
}
.one {
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: stretch;
}
.one > .linklike {
  align-self: flex-start;
}
ol {
  padding-left: 18px;
}
.acts .linklike + .linklike {
  margin-left: 12px;
}
.cut {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
