<script setup lang="ts">
import { useIsFetching } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useTheme } from 'vuetify'
import { stagesOf } from '@/common/rooms'
import { useSession } from '@/session/useSession'

/** The rooms along the edge, by the stages of the work: a stretch of fence each, with a post where one is. */
const emit = defineEmits<{ palette: []; keys: [] }>()

const theme = useTheme()
const route = useRoute()
const fetching = useIsFetching()
const { account, rooms, signOut } = useSession()
const stages = computed(() => stagesOf(rooms.value))
const here = computed(() => stages.value.flatMap((stage) => stage.rooms).find((room) => room.name === (route.meta.room ?? route.name)))
/** Where there is no width for a rail, it opens from a line at the top. */
const opened = ref(false)
const dark = computed(() => theme.global.current.value.dark)

function switchTheme() {
  const name = dark.value ? 'light' : 'dark'
  theme.change(name)
  window.localStorage.setItem('palegate-theme', name)
}
</script>

<template>
  <header class="rail" :class="{ opened }">
    <div class="top">
      <router-link to="/" class="brand" aria-label="Pale Gate, to the first room">
        <svg width="26" height="24" viewBox="0 0 26 24" aria-hidden="true">
          <path d="M1 23V6l3.5-5L8 6v17zM9.5 23V6L13 1l3.5 5v17z" />
          <path class="gate" d="M18 23V6l3.5-5L25 6v17z" />
        </svg>
      </router-link>
      <button type="button" class="linklike opener" :aria-expanded="opened" aria-controls="rooms" @click="opened = !opened">
        {{ here?.title ?? 'Rooms' }} {{ opened ? '−' : '+' }}
      </button>
    </div>
    <nav id="rooms" aria-label="Rooms" @click="opened = false">
      <div v-for="stage in stages" :key="stage.title" class="stage" role="group" :aria-label="stage.title">
        <router-link v-for="room in stage.rooms" :key="room.name" :to="{ name: room.name }" :class="{ 'is-here': room.name === here?.name }" :title="`${room.title}: ${room.about} (${room.key})`">{{ room.title }}</router-link>
      </div>
    </nav>
    <div class="end" @click="opened = false">
      <button type="button" class="linklike" aria-keyshortcuts="k" title="Go to anything, do anything (k)" @click="emit('palette')">Go to …</button>
      <button type="button" class="linklike" @click="emit('keys')">Keys</button>
      <button type="button" class="linklike" @click="switchTheme">{{ dark ? 'Light' : 'Dark' }}</button>
      <router-link :to="{ name: 'account' }" class="who">{{ account?.name }}</router-link>
      <button type="button" class="linklike" @click="signOut">Sign out</button>
    </div>
    <div class="progress" :class="{ working: fetching > 0 }" aria-hidden="true"></div>
  </header>
</template>

<style scoped>
.rail {
  position: relative;
  flex: none;
  width: 72px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 12px 0 10px;
  border-right: 1px solid var(--pg-line);
  font-size: 0.83rem;
  line-height: 1.2;
  overflow-y: auto;
  overflow-x: hidden;
}
.top {
  display: flex;
  justify-content: center;
}
.brand svg {
  display: block;
  fill: rgb(var(--v-theme-on-background));
}
.brand .gate {
  fill: rgb(var(--v-theme-primary));
}
.opener {
  display: none;
}
nav {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.stage {
  display: flex;
  flex-direction: column;
  margin-left: 3px;
  border-left: 2px solid rgba(var(--v-theme-on-background), 0.45);
}
.stage a {
  position: relative;
  padding: 5px 0 5px 4px;
  color: inherit;
  text-decoration: none;
  white-space: nowrap;
}
.stage a:hover {
  background: rgba(var(--v-theme-on-background), 0.07);
}
.stage a.is-here {
  font-weight: 600;
  background: rgba(var(--v-theme-primary), 0.16);
}
.stage a.is-here::before {
  content: '';
  position: absolute;
  left: -4px;
  top: 2px;
  bottom: 2px;
  width: 6px;
  background: rgb(var(--v-theme-primary));
}
.end {
  margin-top: auto;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 5px;
  padding: 0 2px 0 6px;
}
.end > * {
  text-align: left;
  padding: 1px 0;
}
.who {
  color: inherit;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.progress {
  position: absolute;
  right: 0;
  top: 0;
  bottom: 0;
  width: 2px;
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
@media (max-width: 700px) {
  .rail {
    width: auto;
    max-height: 70vh;
    padding: 6px 12px;
    gap: 6px;
    border-right: 0;
    border-bottom: 1px solid var(--pg-line);
    font-size: 1rem;
  }
  .top {
    justify-content: flex-start;
    align-items: center;
    gap: 12px;
  }
  .opener {
    display: block;
  }
  .rail:not(.opened) > nav,
  .rail:not(.opened) > .end {
    display: none;
  }
  .stage a {
    padding: 8px 0 8px 10px;
  }
  .end {
    flex-direction: row;
    flex-wrap: wrap;
    gap: 14px;
    margin-top: 0;
  }
}
</style>
