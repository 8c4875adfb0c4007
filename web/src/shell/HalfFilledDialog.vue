<script setup lang="ts">
import { useHalfFilled } from './useHalfFilled'

/** Stands over a form that somebody is about to leave with something in it. */
const { leaving, leave } = useHalfFilled()
</script>

<template>
  <v-dialog :model-value="leaving !== undefined" max-width="420" aria-labelledby="half-filled-title" @update:model-value="leaving = undefined">
    <div class="sheet pg-dialog">
      <h2 id="half-filled-title">Leave what you have typed?</h2>
      <p>It was not sent, and is not kept.</p>
      <div class="actions">
        <v-btn @click="leave">Leave it</v-btn>
        <v-btn class="is-main" autofocus @click="leaving = undefined">Stay</v-btn>
      </div>
    </div>
  </v-dialog>
</template>
