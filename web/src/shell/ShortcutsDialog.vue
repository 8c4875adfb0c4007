<script setup lang="ts">
import PageDialog from '@/common/PageDialog.vue'
import { ROOMS } from '@/common/rooms'
import { shortcutsOn, switchShortcuts } from './useShortcuts'

const open = defineModel<boolean>({ required: true })

const keys = [
  ['k', 'Go to anything, do anything: type a part of its name'],
  ...ROOMS.map((room) => [room.key, `${room.title}: ${room.about}`]),
  ['d', 'Your drafts'],
  ['r', 'The rehearsal of your draft'],
  ['/', 'Find in the list of this room'],
  ['?', 'This list'],
  ['Esc', 'Close the why panel or a dialog'],
  ['↑ ↓', 'In the tree and in lists: one row up or down'],
  ['→ ←', 'In the tree: open or close a place, or go to the one above'],
  ['Enter', 'In the tree: show the place; in lists: open what the row is about'],
]
/** Only while one is in the cells of a matrix. */
const inMatrix = [
  ['Shift ↑↓→←', 'Choose up to there; Space adds the one where you are'],
  ['r, k, b', 'Choose the row, the column, the branch of the tree'],
  ['l, L', 'Choose all that are like it: in its row, or everywhere'],
  ['n, N', 'The next outlier, or the one before'],
  ['+, −', 'Unfold or fold what is below'],
  ['c', 'Change what is chosen'],
  ['Enter', 'Open the cell: what makes it so, and its people'],
]
</script>

<template>
  <PageDialog v-model="open" max-width="520" aria-labelledby="keys-title">
    <div class="sheet pg-dialog">
      <h2 id="keys-title">Keys</h2>
      <dl>
        <template v-for="[key, does] in keys" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd>
        </template>
      </dl>
      <h3>In a matrix</h3>
      <dl>
        <template v-for="[key, does] in inMatrix" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd>
        </template>
      </dl>
      <v-checkbox :model-value="shortcutsOn" label="Single keys act outside of fields" @update:model-value="switchShortcuts($event === true)" />
      <div class="actions"><v-btn @click="open = false">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 108px 1fr;
  gap: 8px;
}
kbd {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 1px 8px;
}
</style>
