<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import DraftedMark from '@/common/DraftedMark.vue'
import { counted } from '@/common/words'
import ChooseAll from '@/lists/ChooseAll.vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import { useListedChoice } from '@/lists/useListedChoice'
import PersonName from '@/people/PersonName.vue'
import SubjectName from '@/people/SubjectName.vue'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import { lasting, opened, reach } from './share'

/** Every share and every pass that one may know of, and taking them back. */
const route = useRoute()
const router = useRouter()
const { may, account } = useSession()
const { draftAt, busy } = useDrafting()
type Show = 'ALL' | 'SHARES' | 'PASSES' | 'OUTSIDERS' | 'OPEN_ENDED' | 'ENDED'
const SHOWN: { show: Show; title: string }[] = [
  { show: 'ALL', title: 'All' },
  { show: 'SHARES', title: 'Shares' },
  { show: 'PASSES', title: 'Passes' },
  { show: 'OUTSIDERS', title: 'With outsiders' },
  { show: 'OPEN_ENDED', title: 'Without an end' },
  { show: 'ENDED', title: 'Ended' },
]
const show = computed<Show>(() => SHOWN.find((one) => one.show === route.query.show)?.show ?? 'ALL')
const place = computed(() => (typeof route.query.place === 'string' ? route.query.place : undefined))
/** Only what one person answers for. */
const maker = computed(() => (typeof route.query.maker === 'string' ? route.query.maker : undefined))
const turnTo = (wanted: Show) => router.replace({ query: { ...route.query, show: wanted === 'ALL' ? undefined : wanted } })
const changes = ref(0)
const fetchShares = (part: Part) => answer(api.GET('/api/shares', { params: { query: { ...part, show: show.value, place: place.value, maker: maker.value } } }))
const mayTakeBack = (one: Schemas['ShareLine']) => may('access') && !one.gone
const { shown, listed, rows, all, some, busy: choosing, isChosen, toggle, toggleAll, clear } = useListedChoice(fetchShares, (one) => `${one.kind} ${one.id}`, mayTakeBack)
const COLUMNS = computed(() => [
  ...(may('access') ? [{ title: 'Choose', width: '22px', silent: true }] : []),
  { title: 'Place', width: '1.5fr', sort: 'place' },
  { title: 'With', width: '1.2fr' },
  { title: 'Gives', width: '118px' },
  { title: 'By', width: '130px', sort: 'maker' },
  { title: 'Until', width: '165px', sort: 'until' },
  { title: 'People', width: '160px', sort: '-people' },
  { title: 'Actions', width: '160px', silent: true },
])
async function takeBack(...them: Schemas['ShareLine'][]) {
  if (!(await draftAt(them.map((one) => (one.kind === 'SHARE' ? { kind: 'takeBackShare', place: one.place, entry: one.id } : { kind: 'takeBackPass', pass: one.id }))))) return
  changes.value++
  clear()
}
/** Whoever takes a pass over answers for it: it opens while they could make that share. */
async function takeOver(one: Schemas['ShareLine']) {
  const pass = { pass: one.id, place: one.place, role: one.roleId, audience: one.with.map(({ kind, id }) => ({ kind, id })), from: one.from, until: one.until, uses: one.uses, note: one.note }
  if (await draftAt([{ kind: 'setPass', ...pass, maker: account.value!.person! }])) changes.value++
}
const isOthers = (one: Schemas['ShareLine']) => one.kind === 'PASS' && one.state !== 'ENDED' && account.value?.person !== undefined && one.maker?.id !== account.value.person
</script>

<template>
  <div class="segments" role="group" aria-label="Show">
    <button v-for="one in SHOWN" :key="one.show" type="button" :aria-pressed="show === one.show" @click="turnTo(one.show)">{{ one.title }}</button>
  </div>
  <p v-if="place || maker" class="quiet">{{ place && maker ? 'Only what one person answers for, at one place and below.' : place ? 'Only at one place and below.' : 'Only what one person answers for.' }} <router-link :to="{ name: 'shares', params: { view: 'register' } }">Show all</router-link></p>
  <ChooseAll v-if="may('access') && shown.total > 0" label="Many shares at once" :total="shown.total" :chosen="rows.length" :all="all" :some="some" :busy="choosing" one="share or pass" many="shares and passes" @all="toggleAll" @clear="clear">
    <v-btn size="small" :loading="busy" @click="takeBack(...rows)">Take {{ rows.length === 1 ? 'it' : 'them' }} back</v-btn>
  </ChooseAll>
  <div class="sheet list">
    <PagedList
      label="Shares and passes"
      find="Find a place, a person, a group"
      find-in="#find-here"
      :query-key="['shares', show, place, maker, changes]"
      :fetch="fetchShares"
      :columns="COLUMNS"
      :empty="show === 'ALL' ? 'Nothing is shared, as far as you may know.' : 'There is none like that, as far as you may know.'"
      @listed="listed"
    >
      <template #row="{ item, index }">
        <div v-if="may('access')" role="cell">
          <input v-if="mayTakeBack(item)" type="checkbox" :checked="isChosen(item)" :aria-label="`Choose what ${item.maker?.name ?? 'somebody'} shares at ${item.name}`" title="With Shift: all from the one chosen last" @click="toggle(item, index, $event.shiftKey, $event.target)" />
        </div>
        <div role="cell" class="cut" :title="[`${item.path} / ${item.name}`, item.note].filter(Boolean).join(': ')">
          <router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.name }}</router-link> <span class="quiet">{{ item.path }}</span>
          <DraftedMark :drafted="item.drafted" />
          <span v-if="item.gone" class="mark lose">taken back by your draft</span>
        </div>
        <div role="cell" class="cut">
          <template v-for="(one, i) in item.with" :key="one.kind + one.id"><template v-if="i > 0">, </template><SubjectName :id="one.id" :kind="one.kind" :name="one.name" /></template>
        </div>
        <div role="cell">{{ item.role }} <span v-if="item.kind === 'PASS'" class="mark">pass</span></div>
        <div role="cell" class="cut"><PersonName v-if="item.maker" :person="item.maker" link /><span v-else class="quiet">nobody any more</span></div>
        <div role="cell" :class="{ caution: item.until === undefined, quiet: item.state === 'ENDED' }" :title="item.until ? toTheEndOf(item.until) : undefined">{{ lasting(item) }}</div>
        <div role="cell" :class="{ warn: item.outside > 0 }" :title="item.kind === 'PASS' ? `${opened(item)}; ${counted(item.people, 'person could open it', 'people could open it')}` : undefined">
          {{ item.kind === 'PASS' ? opened(item) : reach(item.people, item.outside) }}
        </div>
        <div role="cell" class="acts">
          <button v-if="may('access') && !item.gone && isOthers(item)" type="button" class="linklike" :disabled="busy" :aria-label="`Take over the pass to ${item.name}`" @click="takeOver(item)">Take over</button>
          <button v-if="mayTakeBack(item)" type="button" class="linklike" :disabled="busy" :aria-label="`Take back what ${item.maker?.name ?? 'somebody'} shares at ${item.name}`" @click="takeBack(item)">Take back</button>
        </div>
      </template>
    </PagedList>
  </div>
</template>

<style scoped>
.segments {
  align-self: flex-start;
}
.list {
  flex: 1;
  min-height: 260px;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 12px;
}
.cut {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
