<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { counted, day } from '@/common/words'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'

/** What looks as if it belonged inside, with what speaks for it: taken in with one press, or dismissed with a reason. */
const props = defineProps<{ id: string; gaps: Schemas['GapView'][] | undefined; more: number; notSearched: number; cut: boolean; kind: string }>()
const client = useQueryClient()
const { may } = useSession()
const { draftAt, busy } = useDrafting()
const dismissing = ref<Schemas['GapView']>()
const reason = ref('')
const faults = ref<FaultLine[]>([])
const withDismissed = ref(false)
const dismissed = computed(() => (props.gaps ?? []).filter((gap) => gap.dismissed !== undefined).length)
const shown = computed(() => (props.gaps ?? []).filter((gap) => withDismissed.value || gap.dismissed === undefined))

const SURE: Record<Schemas['GapView']['confidence'], string> = { NEARLY_SURE: 'nearly sure', LIKELY: 'likely', POSSIBLE: 'possible' }
function evidence(gap: Schemas['GapView']): string {
  switch (gap.kind) {
    case 'WRITTEN_DIFFERENTLY':
      return `Labelled “${gap.said}”, where the wall asks for “${gap.like}”.`
    case 'MISTYPED':
      return `Labelled “${gap.said}”: two neighbouring signs of “${gap.like}” may be swapped.`
    case 'OTHER_LABEL':
      return `Labelled “${gap.said}”, where the wall asks for “${gap.like}”.`
    case 'SAME_NUMBER':
      return `“${gap.said}” has the number of “${gap.like}”.`
    case 'SAME_CONTENT':
      return `“${gap.said}” has the same content as ${gap.like}, which lies inside.`
    case 'SAME_CORRESPONDENCE':
      return `“${gap.said}” belongs to the same letters as ${gap.like}, which lies inside.`
    case 'IN_ITS_TEXT':
      return `Its text says “${gap.said}”, like “${gap.like}”.`
    case 'SIBLING':
      return `It lies beside ${gap.like}, which lie inside.`
    default:
      return `“${gap.said}” has the name of “${gap.like}”, which lies inside.`
  }
}
async function dismiss() {
  faults.value = []
  try {
    await answer(api.POST('/api/walls/{id}/gaps/dismissals', { params: { path: { id: props.id } }, body: { place: dismissing.value!.place, reason: reason.value } }))
    dismissing.value = undefined
    reason.value = ''
    await client.invalidateQueries({ queryKey: ['walls', 'gaps', props.id] })
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
</script>

<template>
  <div class="gaps">
    <p v-if="gaps === undefined" role="status">Looking for gaps …</p>
    <p v-else-if="gaps.length === 0" class="quiet">
      {{ kind === 'confine' ? 'A confinement has no gaps: what lies outside it is meant to.' : 'Nothing outside looks as if it belonged inside: no label written differently, no number or name of what lies inside, no copy and no letter of its correspondence.' }}
    </p>
    <v-checkbox v-if="dismissed > 0" v-model="withDismissed" :label="`Also those dismissed (${dismissed})`" hide-details />
    <div v-for="gap in shown" :key="gap.place + gap.side" class="sheet gap">
      <p>
        <router-link :to="{ name: 'places', params: { id: gap.place } }">{{ gap.path }}</router-link> <span class="mark" :class="{ warn: gap.confidence === 'NEARLY_SURE' }">{{ SURE[gap.confidence] }}</span>
        <span v-if="gap.side" class="mark">{{ gap.side }}</span> <span class="quiet">{{ counted(gap.documents, 'document') }}</span>
      </p>
      <p>{{ evidence(gap) }}</p>
      <p v-if="gap.dismissed" class="quiet">Dismissed by {{ gap.dismissed.author }}, {{ day(gap.dismissed.at) }}: {{ gap.dismissed.reason }}</p>
      <p v-if="may('walls')" class="acts">
        <button v-if="gap.fix" type="button" class="linklike" :disabled="busy" :aria-label="`Take ${gap.path} in`" @click="draftAt([gap.fix])">Take it in</button>
        <span v-else class="quiet">Change the wall or the place to take it in.</span>
        <button v-if="!gap.dismissed" type="button" class="linklike" :aria-label="`Dismiss ${gap.path}`" @click="dismissing = gap">It does not belong inside</button>
      </p>
    </div>
    <p v-if="more > 0" class="quiet">{{ counted(more, 'further gap is', 'further gaps are') }} not listed, less sure than these: take in or dismiss some, or describe the wall more closely.</p>
    <p v-if="cut" class="quiet">More texts outside say one of its numbers than were read: some gaps may not be listed.</p>
    <p v-if="notSearched > 0" class="quiet">{{ counted(notSearched, 'further number or name', 'further numbers and names') }} of this wall’s were not looked for in the text of documents: describe it more closely.</p>
    <PageDialog :model-value="dismissing !== undefined" max-width="500" aria-labelledby="dismiss-title" @update:model-value="dismissing = undefined">
      <form class="sheet pg-dialog" @submit.prevent="dismiss">
        <h2 id="dismiss-title">{{ dismissing?.path }} does not belong inside</h2>
        <v-textarea v-model="reason" label="Why not, in a sentence" rows="2" maxlength="2000" autofocus />
        <FaultList :faults="faults" />
        <div class="actions">
          <v-btn @click="dismissing = undefined">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :disabled="reason.trim() === ''">Dismiss it</v-btn>
        </div>
      </form>
    </PageDialog>
  </div>
</template>

<style scoped>
.gaps {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.gap {
  padding: 6px 12px;
}
.acts {
  display: flex;
  gap: 16px;
}
</style>
