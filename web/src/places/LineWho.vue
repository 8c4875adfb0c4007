<script setup lang="ts">
import type { Schemas } from '@/api/client'
import SubjectName from '@/people/SubjectName.vue'
import { useDensity } from '@/common/density'
import { limits, remark } from './lineWords'

/** Whom a line names, with what narrows it, and its remark behind a mark that opens. */
defineProps<{ line: Schemas['AccessLine']; open: boolean }>()
const emit = defineEmits<{ open: [] }>()
const { density } = useDensity()
const KINDS: Record<string, string> = { person: 'person', group: 'group', unit: 'unit', builtin: 'built in' }
</script>

<template>
  <div class="line">
  <span class="who"><SubjectName :id="line.entry.subjectId" :kind="line.entry.subjectKind" :name="line.entry.subjectName" /></span> <span class="quiet kind">{{ KINDS[line.entry.subjectKind] }}</span>
  <template v-if="remark(line)">
    <span v-if="limits(line)" class="mark" :title="remark(line)">{{ limits(line) }}</span>
    <button
      v-if="density === 'compact' && remark(line) !== limits(line)"
      type="button"
      class="linklike note"
      :aria-expanded="open"
      :aria-label="`Note on the line of ${line.entry.subjectName}`"
      :title="remark(line)"
      @click="emit('open')"
    >
      note
    </button>
  </template>
  </div>
  <p v-if="remark(line) && (density === 'comfortable' || open)" class="quiet remark">{{ remark(line) }}</p>
</template>

<style scoped>
.remark {
  white-space: normal;
}
/* A long name gives way; what narrows the line stays in sight. */
.line {
  display: flex;
  align-items: baseline;
  gap: 6px;
}
.line > * {
  flex: none;
  margin-left: 0 !important;
}
.line:has(.mark) > .kind {
  display: none;
}
.line > .mark {
  flex: 0 2 auto;
  min-width: 4em;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line > .who {
  flex: 0 1 auto;
  min-width: 4.5em;
  overflow: hidden;
  text-overflow: ellipsis;
}
.who {
  font-weight: 600;
}
.kind {
  font-size: 0.88rem;
}
.remark {
  font-size: 0.92rem;
}
.note {
  margin-left: 6px;
  font-size: 0.88rem;
}
@container (max-width: 640px) {
  .kind {
    display: none;
  }
}
</style>
