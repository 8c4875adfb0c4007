<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { counted, listed } from '@/common/words'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import { TRIED, useMining } from './useMining'

/** How exactly the same could be said with fewer entries. Each proposal stands on those before it. */
const { may } = useSession()
const { draftAt, busy } = useDrafting()
const { begin, callOff, looking, found, asked, fault } = useMining()
const drafted = ref(0)
/** What is found in another state is another matter. */
watch(found, () => (drafted.value = 0))
const fewer = computed(() => (found.value ? found.value.before.entries - found.value.after.entries : 0))
const share = computed(() => (fewer.value === 0 ? 0 : Math.round((fewer.value * 100) / found.value!.before.entries)))

/** What else becomes more or less: a new group has to be kept too. */
const rest = computed(() => {
  const { before, after } = found.value!
  const parts = [
    ...(before.groups === after.groups ? [] : [`${counted(after.groups, 'group')} instead of ${before.groups}`]),
    ...(before.memberships === after.memberships ? [] : [`${counted(after.memberships, 'membership')} instead of ${before.memberships}`]),
    ...(before.roles === after.roles ? [] : [`${counted(after.roles, 'role')} instead of ${before.roles}`]),
  ]
  return parts.length === 0 ? '' : `There would be ${listed(parts)}.`
})

async function add(upTo: number) {
  const proposals = found.value!.proposals.slice(0, upTo)
  if (await draftAt(proposals.flatMap((one) => one.changes) as Schemas['Change'][])) drafted.value = upTo
}

function saved(one: Schemas['ProposalView']) {
  const entries = one.saves > 0 ? counted(one.saves, 'entry fewer', 'entries fewer') : ''
  return [entries, one.groups > 0 ? counted(one.groups, 'group fewer', 'groups fewer') : ''].filter(Boolean).join(', ')
}
</script>

<template>
  <article class="sheet fewer" aria-labelledby="fewer-title">
    <h2 id="fewer-title">The same with fewer entries</h2>
    <p v-if="fault" class="fault" role="alert">{{ fault.message }}</p>
    <template v-if="looking">
      <p role="status">
        <template v-if="looking.kind"
          >Trying {{ TRIED[looking.kind] }}: {{ looking.tried.toLocaleString('en-GB') }} of
          {{ looking.candidates.toLocaleString('en-GB') }}. {{ counted(looking.saved, 'entry', 'entries') }} saved so
          far.</template
        ><template v-else>Waiting for its turn …</template>
        <span class="quiet">You can go on with something else: it is here when you come back.</span>
      </p>
      <v-progress-linear
        :model-value="looking.candidates === 0 ? 0 : (looking.tried * 100) / looking.candidates"
        height="4"
        aria-hidden="true"
      />
      <div class="acts">
        <v-btn size="small" :loading="callOff.isPending.value" @click="callOff.mutate()">Cancel</v-btn>
      </div>
    </template>
    <template v-else-if="asked && !found">
      <p>
        Groups, roles and places above can often say in one entry what many say now. Every way is tried on its own, and
        proposed only if, of what you may know, nobody would gain or lose anything, now or on any later day.
      </p>
      <div class="acts">
        <v-btn size="small" class="is-main" :loading="begin.isPending.value" @click="begin.mutate()">Look for them</v-btn>
      </div>
    </template>
    <template v-else-if="found">
      <p v-if="found.proposals.length === 0">
        Nothing can be said with fewer entries than the {{ found.before.entries }} that there are<template
          v-if="found.cut"
          >, as far as it was tried: it was cancelled before the end</template
        >.
      </p>
      <template v-else>
        <p>
          <strong>{{ found.before.entries }} entries could be {{ found.after.entries }}</strong
          >, {{ share }} in a hundred fewer. Of what you may know nobody would gain or lose anything, now or at any later
          day on which something begins or ends: each was tried, on what those before it leave. {{ rest }}<template v-if="found.cut">
            It was cancelled, or time ran out, before everything was tried.</template
          ><template v-if="found.more > 0">
            {{ counted(found.more, 'more is', 'more are') }} not listed, so that the draft does not become too large; put
            these in force and look again.</template
          >
        </p>
        <div class="acts">
          <v-btn
            v-if="may('access')"
            size="small"
            class="is-main"
            :loading="busy"
            :disabled="drafted > 0"
            @click="add(found.proposals.length)"
            >Add all to the draft</v-btn
          >
          <v-btn v-if="found.cut" size="small" :loading="begin.isPending.value" @click="begin.mutate()"
            >Look again</v-btn
          >
        </div>
        <p v-if="drafted > 0" class="good" role="status">
          {{ counted(drafted, 'proposal is', 'proposals are') }} in your draft.
          <router-link :to="{ name: 'rehearsal' }">Open the rehearsal</router-link>.
        </p>
        <ol>
          <li v-for="(one, i) in found.proposals" :key="i">
            <span
              >{{ one.words }} <span class="quiet">{{ saved(one) }}</span></span
            >
            <v-btn
              v-if="may('access')"
              size="small"
              :disabled="drafted > 0"
              :aria-label="`Add up to here: ${one.words}`"
              @click="add(i + 1)"
              >Up to here</v-btn
            >
          </li>
        </ol>
      </template>
    </template>
  </article>
</template>

<style scoped>
.fewer {
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ol {
  padding-left: 22px;
}
li {
  padding: 5px 0;
  border-bottom: 1px solid var(--pg-line);
}
li > span {
  display: inline-block;
  vertical-align: top;
  width: calc(100% - 124px);
}
</style>
