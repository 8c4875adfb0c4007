<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useTheme } from 'vuetify'
import { useIsFetching } from '@tanstack/vue-query'
import { useSession } from '@/session/useSession'
import DraftTray from '@/tray/DraftTray.vue'
import WhyPanel from '@/why/WhyPanel.vue'
import { useWhy } from '@/why/useWhy'
import ShortcutsDialog from './ShortcutsDialog.vue'
import { useFreshness } from './useFreshness'
import { useShortcuts } from './useShortcuts'

const router = useRouter()
const theme = useTheme()
const why = useWhy()
const { account, mayChange, may, rooms: mine, signOut } = useSession()
const outage = useFreshness()
const fetching = useIsFetching()
const help = ref(false)

const ROOMS = [
  { name: 'papers', title: 'Papers' },
  { name: 'places', title: 'Places' },
  { name: 'breaks', title: 'Breaks' },
  { name: 'people', title: 'People' },
  { name: 'roles', title: 'Roles' },
  { name: 'types', title: 'Types' },
  { name: 'statements', title: 'Statements' },
  { name: 'journal', title: 'Journal' },
  { name: 'duties', title: 'Duties' },
]
/** Only those that one's duties use. */
const rooms = computed(() => ROOMS.filter((room) => mine.value.includes(room.name)))
const go = (room: string) => mine.value.includes(room) && void router.push({ name: room })
const dark = computed(() => theme.global.current.value.dark)

function switchTheme() {
  const name = dark.value ? 'light' : 'dark'
  theme.change(name)
  window.localStorage.setItem('palegate-theme', name)
}

useShortcuts({
  p: () => go('places'),
  v: () => go('papers'),
  u: () => go('duties'),
  b: () => go('breaks'),
  g: () => go('people'),
  o: () => go('roles'),
  t: () => go('types'),
  d: () => mayChange.value && void router.push({ name: 'drafts' }),
  s: () => go('statements'),
  j: () => go('journal'),
  r: () => mayChange.value && void router.push({ name: 'rehearsal' }),
  '/': () => document.querySelector<HTMLInputElement>('[data-find] input')?.focus(),
  '?': () => (help.value = true),
  Escape: () => why.close(),
})
</script>

<template>
  <div class="frame">
    <a class="skip" href="#work">Skip to the work</a>
    <header>
      <router-link to="/" class="brand" aria-label="Pale Gate, to the first room">
        <svg width="26" height="24" viewBox="0 0 26 24" aria-hidden="true">
          <path d="M1 23V6l3.5-5L8 6v17zM9.5 23V6L13 1l3.5 5v17z" />
          <path class="gate" d="M18 23V6l3.5-5L25 6v17z" />
        </svg>
        <span>Pale Gate</span>
      </router-link>
      <nav aria-label="Rooms">
        <router-link v-for="room in rooms" :key="room.name" :to="{ name: room.name }">{{ room.title }}</router-link>
      </nav>
      <div class="end">
        <button type="button" class="linklike" @click="help = true">Keys</button>
        <button type="button" class="linklike" @click="switchTheme">{{ dark ? 'Light' : 'Dark' }}</button>
        <router-link :to="{ name: 'account' }" class="who">{{ account?.name }}</router-link>
        <button type="button" class="linklike" @click="signOut">Sign out</button>
      </div>
      <div class="progress" :class="{ working: fetching > 0 }" aria-hidden="true"></div>
    </header>
    <p v-if="outage" class="outage" role="alert">{{ outage }}</p>
    <div class="middle">
      <main id="work" tabindex="-1"><router-view /></main>
      <WhyPanel v-if="why.target" />
    </div>
    <DraftTray v-if="mayChange" />
    <footer v-else-if="may('audit')" class="tray-instead">You can look at everything here, and change nothing: your duty is to audit.</footer>
    <ShortcutsDialog v-model="help" />
  </div>
</template>

<style scoped>
.frame {
  height: 100vh;
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
header {
  position: relative;
  display: flex;
  align-items: stretch;
  gap: 20px;
  padding: 0 20px;
  height: 52px;
  border-bottom: 1px solid var(--pg-line);
  flex: none;
}
.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  color: inherit;
  text-decoration: none;
  font-family: var(--pg-serif);
  font-size: 1.2rem;
}
.brand svg {
  fill: rgb(var(--v-theme-on-background));
}
.brand .gate {
  fill: rgb(var(--v-theme-primary));
}
nav {
  display: flex;
  gap: 4px;
}
nav a {
  display: flex;
  align-items: center;
  padding: 3px 12px 0;
  color: inherit;
  text-decoration: none;
  border-bottom: 3px solid transparent;
}
nav a:hover {
  border-bottom-color: var(--pg-line);
}
nav a.router-link-active {
  border-bottom-color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.end {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 14px;
}
.who {
  color: inherit;
  font-weight: 600;
}
.progress {
  position: absolute;
  left: 0;
  right: 0;
  bottom: -2px;
  height: 2px;
}
.progress.working {
  background: rgb(var(--v-theme-primary));
  animation: breathe 1.2s ease-in-out 0.5s infinite both;
}
@keyframes breathe {
  from,
  to {
    opacity: 0;
  }
  50% {
    opacity: 1;
  }
}
.outage {
  background: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-surface));
  padding: 8px 20px;
}
.middle {
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
  padding: 12px 20px;
  flex: none;
}
@media (max-width: 700px) {
  header {
    flex-wrap: wrap;
    height: auto;
    gap: 8px 16px;
    padding: 8px 12px;
  }
}
</style>
