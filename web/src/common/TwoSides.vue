<script setup lang="ts">
/** A list, and beside it what is chosen there; one above the other where there is little room. */
withDefaults(
  defineProps<{
    /** What the two sides are called. */
    list: string
    chosen: string
    /** How wide the list is. */
    width?: string
    /** The list alone takes all the room. */
    alone?: boolean
  }>(),
  { width: '500px', alone: false },
)
</script>

<template>
  <div class="room pg-room">
    <div v-if="$slots.head" class="head"><slot name="head" /></div>
    <div class="sides">
      <section class="left" :class="{ alone }" :aria-label="list" :style="{ width: alone ? '100%' : width }"><slot name="list" /></section>
      <section v-if="!alone" class="right" :aria-label="chosen"><slot /></section>
    </div>
  </div>
</template>

<style scoped>
.head {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  min-height: 40px;
  gap: 8px 16px;
}
.head > :slotted(.find-here) {
  margin-right: auto;
}
.sides {
  flex: 1;
  min-height: 0;
  display: flex;
  gap: 18px;
}
.left {
  flex: none;
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
/* What is chosen keeps half the room beside an open why. */
.left:not(.alone) {
  max-width: 52%;
}
/* The name of a field in the first line stands over its edge: it is not to be cut off. */
.right {
  flex: 1;
  min-width: 0;
  min-height: 0;
  overflow: auto;
  margin-top: -8px;
  padding-top: 8px;
}
:slotted(.fills) {
  flex: 1;
  min-height: 240px;
}
:slotted(.hint) {
  padding: 46px 20px;
  max-width: 34em;
}
@media (max-width: 900px) {
  .room {
    overflow: auto;
  }
  .sides {
    flex: none;
    flex-direction: column;
  }
  .left {
    width: 100% !important;
    max-width: none !important;
  }
  .right {
    flex: none;
    overflow: visible;
  }
}
</style>
