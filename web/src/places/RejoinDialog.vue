<script setup lang="ts">
import { ref } from 'vue'
import { ProblemError } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'
import { useDraft } from '@/tray/useDraft'

const props = defineProps<{ place: string; placeName: string; ownLines: number; breaksBelow: number }>()
const open = defineModel<boolean>({ required: true })

const { add } = useDraft()
const below = ref(false)
const fault = ref('')

async function draft() {
  fault.value = ''
  try {
    await add.mutateAsync({ kind: 'rejoin', place: props.place, below: below.value })
    open.value = false
  } catch (error) {
    fault.value = error instanceof ProblemError ? error.problem.detail : String(error)
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="560" aria-labelledby="rejoin-title">
    <form class="sheet pg-dialog" @submit.prevent="draft">
      <h2 id="rejoin-title">Rejoin {{ placeName }}</h2>
      <p>
        {{ placeName }} follows its parent again, and {{ ownLines === 1 ? 'its own entry is' : `its own ${counted(ownLines, 'entry', 'entries')} are` }} discarded. The tray then says who
        gains and who loses by it.
      </p>
      <v-checkbox v-if="breaksBelow > 0" v-model="below" :label="`Rejoin the ${counted(breaksBelow, 'break')} further down too`" />
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :loading="add.isPending.value">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
