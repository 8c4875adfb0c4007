<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'
import { useDraft } from './useDraft'
import { useWallWatch } from './useWallWatch'

const route = useRoute()
const { draft, isFetching, discard } = useDraft()
const { notices: watchedNow, more: watchedBesides, looking: looksAtWalls, failed: wallsUnknown } = useWallWatch()
const asking = ref(false)

const changes = computed(() => draft.value?.items.length ?? 0)
const totals = computed(() => draft.value?.totals)
const nothing = computed(() => totals.value !== undefined && totals.value.places === 0)
const watched = computed(() => watchedNow.value.length + watchedBesides.value)
const cannot = computed(() => draft.value?.items.filter((item) => item.problem !== undefined).length ?? 0)

function to(view: string, show = 'ALL') {
  return { name: 'rehearsal', query: { view, show } }
}

async function throwAway() {
  asking.value = false
  await discard.mutateAsync().catch(() => undefined)
}
</script>

<template>
  <footer class="tray" aria-label="Draft" :data-changes="changes">
    <router-link class="title" :to="{ name: 'drafts' }" :title="draft?.name === 'Draft' ? 'All drafts' : draft?.name">{{ draft?.name ?? 'Draft' }}</router-link>
    <p v-if="changes === 0 || totals === undefined" class="says">
      Nothing drafted. Whatever you change lands here first, and is rehearsed before it holds.
    </p>
    <template v-else>
      <p class="says" role="status" aria-live="polite" :aria-busy="isFetching">
        <router-link :to="to('changes')">{{ counted(changes, 'change') }}</router-link>
        <template v-if="nothing"> · changes nothing now<span v-if="draft!.laterInstants > 0">, but later</span></template>
        <template v-else>
          ·
          <router-link class="gain" :to="to('people', 'GAINS')">{{ counted(totals.peopleGaining, 'person gains', 'people gain') }}</router-link
          >, <router-link class="lose" :to="to('people', 'LOSSES')">{{ totals.peopleLosing }} {{ totals.peopleLosing === 1 ? 'loses' : 'lose' }}</router-link>
          · <router-link :to="to('places')">{{ counted(totals.places, 'place') }}</router-link>
          · <router-link :to="to('documents')">{{ counted(totals.documents, 'document') }}</router-link>
        </template>
        <template v-if="totals.outsidersGaining > 0">
          · <router-link class="warn" :to="to('people', 'OUTSIDERS')">{{ counted(totals.outsidersGaining, 'outsider gains', 'outsiders gain') }}</router-link>
        </template>
        <template v-if="draft!.lockOuts > 0">
          · <router-link class="lose" :to="to('lock-outs')">{{ counted(draft!.lockOuts, 'place') }} left without a keeper</router-link>
        </template>
        <template v-if="draft!.authorLosesGovern > 0">
          · <router-link class="lose" :to="to('own-losses')">you lose govern on {{ counted(draft!.authorLosesGovern, 'place') }}</router-link>
        </template>
        <template v-if="draft!.wallConflicts > 0">
          · <router-link class="warn" :to="to('people')">{{ counted(draft!.wallConflicts, 'person', 'people') }} on two sides of a wall</router-link>
        </template>
        <template v-if="watched > 0">
          · <router-link class="warn" :to="to('people')">{{ counted(watched, 'thing', 'things') }} against a wall’s purpose</router-link>
        </template>
        <template v-else-if="wallsUnknown"> · <router-link class="lose" :to="to('people')">what it does to walls is not known</router-link></template>
        <template v-else-if="looksAtWalls"> · <span class="quiet" role="status">looking at walls …</span></template>
        <template v-if="draft!.approvalNeeded.length > 0">
          · <router-link class="warn" :to="{ name: 'drafts', params: { id: draft!.id ?? '' } }">somebody else has to approve</router-link>
        </template>
        <template v-if="draft!.withoutEffect > 0">
          · <router-link :to="to('changes')">{{ counted(draft!.withoutEffect, 'entry', 'entries') }} without effect</router-link>
        </template>
        <template v-if="draft!.clashes.length > 0">
          · <router-link class="lose" :to="to('changes')">somebody changed the same meanwhile</router-link>
        </template>
        <template v-if="cannot > 0">
          · <router-link class="lose" :to="to('changes')">{{ counted(cannot, 'change') }} can no longer be made</router-link>
        </template>
      </p>
      <v-btn v-if="route.name !== 'rehearsal'" class="is-main" size="small" :to="to('people')">Open the rehearsal</v-btn>
      <v-btn size="small" @click="asking = true">Discard</v-btn>
    </template>
    <PageDialog v-model="asking" max-width="440" aria-labelledby="discard-title">
      <div class="sheet pg-dialog">
        <h2 id="discard-title">Discard the draft?</h2>
        <p>{{ counted(changes, 'change') }} will be thrown away. What is in force stays as it is.</p>
        <div class="actions">
          <v-btn @click="asking = false">Keep it</v-btn>
          <v-btn class="is-main" @click="throwAway">Discard</v-btn>
        </div>
      </div>
    </PageDialog>
  </footer>
</template>

<style scoped>
.tray {
  flex: none;
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 42px;
  padding: 5px 16px;
  border-top: 2px solid rgb(var(--v-theme-on-background));
  background: rgb(var(--v-theme-surface));
}
.title {
  font-family: var(--pg-serif);
  font-weight: 600;
  color: inherit;
  max-width: 200px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.says {
  flex: 1;
}
/* On a phone what it says has a line of its own, and never takes the page. */
@media (max-width: 600px) {
  .tray {
    flex-wrap: wrap;
    gap: 6px 12px;
  }
  .says {
    order: 1;
    flex-basis: 100%;
    max-height: 4.4em;
    overflow: auto;
  }
}
.says a {
  color: inherit;
  text-underline-offset: 3px;
}
.says a.gain {
  color: rgb(var(--v-theme-success));
}
.says a.lose {
  color: rgb(var(--v-theme-error));
}
.says a.warn {
  color: rgb(var(--v-theme-warning));
}
</style>
