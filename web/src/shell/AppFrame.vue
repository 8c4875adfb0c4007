<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ROOMS } from '@/common/rooms'
import HoverCard from '@/people/HoverCard.vue'
import PaletteDialog from '@/palette/PaletteDialog.vue'
import ToldNotices from '@/session/ToldNotices.vue'
import { useSession } from '@/session/useSession'
import DraftTray from '@/tray/DraftTray.vue'
import WhyPanel from '@/why/WhyPanel.vue'
import { useWhy } from '@/common/useWhy'
import HalfFilledDialog from './HalfFilledDialog.vue'
import { loadAhead } from './loadAhead'
import RoomRail from './RoomRail.vue'
import ShortcutsDialog from './ShortcutsDialog.vue'
import { useFreshness } from './useFreshness'
import { useShortcuts } from './useShortcuts'

const router = useRouter()
const why = useWhy()
const { mayChange, may, rooms: mine } = useSession()
const outage = useFreshness()
const help = ref(false)
const palette = ref(false)

watch(mine, (rooms, _, onCleanup) => onCleanup(loadAhead(router, rooms)), { immediate: true })

const go = (room: string) => mine.value.includes(room) && void router.push({ name: room })

useShortcuts({
  ...Object.fromEntries(ROOMS.map((room) => [room.key, () => go(room.name)])),
  d: () => mayChange.value && void router.push({ name: 'drafts' }),
  r: () => mayChange.value && void router.push({ name: 'rehearsal' }),
  k: () => (palette.value = true),
  '/': () => document.querySelector<HTMLInputElement>('[data-find] input, input[data-find]')?.focus(),
  '?': () => (help.value = true),
  Escape: () => why.close(),
})
</script>

<template>
  <div class="frame">
    <a class="skip" href="#work">Skip to the work</a>
    <RoomRail @palette="palette = true" @keys="help = true" />
    <div class="beside">
      <p v-if="outage" class="outage" role="alert">{{ outage }}</p>
      <ToldNotices />
      <div class="middle">
        <main id="work" tabindex="-1"><router-view /></main>
        <WhyPanel v-if="why.target" />
      </div>
      <DraftTray v-if="mayChange" />
      <footer v-else-if="may('audit')" class="tray-instead">You can look at everything here, and change nothing: your duty is to audit.</footer>
    </div>
    <HoverCard v-if="mine.includes('people')" />
    <HalfFilledDialog />
    <ShortcutsDialog v-model="help" />
    <PaletteDialog v-if="palette" v-model="palette" />
  </div>
</template>

<style scoped>
.frame {
  height: 100vh;
  display: flex;
}
.beside {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 12px;
  top: 12px;
  z-index: 10;
  background: rgb(var(--v-theme-surface));
  padding: 8px 12px;
}
.outage {
  background: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-surface));
  padding: 6px 16px;
}
.middle {
  position: relative;
  flex: 1;
  min-height: 0;
  display: flex;
}
main {
  flex: 1;
  min-width: 0;
  min-height: 0;
  outline: none;
}
.tray-instead {
  border-top: 1px solid var(--pg-line);
  padding: 8px 16px;
  flex: none;
}
@media (max-width: 700px) {
  .frame {
    flex-direction: column;
  }
  .beside {
    min-height: 0;
  }
}
</style>
