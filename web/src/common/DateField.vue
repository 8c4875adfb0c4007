<script setup lang="ts">
import { computed, ref, watch, type ComponentPublicInstance } from 'vue'
import { fromKept, kept, readDay, readMinute, sayDay, sayMinute } from './dates'

/** A day that is typed as people write it, or picked. What cannot be read is said, and keeps the form from being sent. */
const props = withDefaults(
  defineProps<{
    label: string
    /** With a time of day. */
    time?: boolean
    /** A day without a year is the last such day, not the next. */
    looksBack?: boolean
  }>(),
  { time: false, looksBack: false },
)
/** 2026-11-28, with a time 2026-11-28T15:00; empty for none; what cannot be read as it was written, which no form takes for none. */
const model = defineModel<string>({ required: true })

const EXAMPLES = computed(() => (props.time ? '14 Nov 15:00' : props.looksBack ? '14 Nov, -4w, yesterday' : '14 Nov, +4w, end of month'))
const say = (value: string) => {
  const at = fromKept(value)
  return at === undefined ? '' : props.time ? sayMinute(at) : sayDay(at)
}
const written = ref(say(model.value))
const fault = ref('')
const input = ref<ComponentPublicInstance>()
const picking = ref(false)
watch(model, (now) => {
  // Whoever keeps nothing for what cannot be read yet must not take away what is being typed.
  if (isTyping()) return
  if (now === written.value || read(written.value) === now) return
  written.value = say(now)
  sayFault('')
})

function read(text: string): string | undefined {
  if (text.trim() === '') return ''
  const at = props.time ? readMinute(text, undefined, props.looksBack) : readDay(text, undefined, props.looksBack)
  return at === undefined ? undefined : kept(at, props.time)
}

const field = () => (input.value?.$el as HTMLElement | undefined)?.querySelector('input')
const isTyping = () => field() === document.activeElement

/** Said below the field, and keeps its form from being sent. */
function sayFault(said: string) {
  fault.value = said
  field()?.setCustomValidity(said)
}

function typed(text: string | null) {
  written.value = text ?? ''
  const value = read(written.value)
  sayFault(value === undefined ? `Type a day such as ${EXAMPLES.value}.` : '')
  model.value = value ?? written.value
}

/** Leaving the field shows how it was understood. */
function left() {
  if (fault.value === '') written.value = say(model.value)
}

function picked(day: unknown) {
  picking.value = false
  if (!(day instanceof Date)) return
  const before = fromKept(model.value)
  const at = new Date(day)
  if (props.time) at.setHours(before?.getHours() ?? 9, before?.getMinutes() ?? 0)
  typed(props.time ? sayMinute(at) : sayDay(at))
}
</script>

<template>
  <v-text-field
    ref="input"
    :model-value="written"
    :label="label"
    :placeholder="EXAMPLES"
    :error-messages="fault"
    autocomplete="off"
    maxlength="40"
    @update:model-value="typed"
    @blur="left"
  >
    <template #append-inner>
      <v-menu v-model="picking" :close-on-content-click="false">
        <template #activator="{ props: menu }">
          <button v-bind="menu" type="button" class="linklike" :aria-label="`Pick a day: ${label}`">pick</button>
        </template>
        <v-date-picker :model-value="fromKept(model) ?? null" hide-header first-day-of-week="1" @update:model-value="picked" />
      </v-menu>
    </template>
  </v-text-field>
</template>
