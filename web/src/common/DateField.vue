<script setup lang="ts">
import { computed, ref, watch, type ComponentPublicInstance } from 'vue'
import { fromKept, kept, readDay, readMinute, sayDay, sayMinute } from './dates'

/** A day that is typed as people write it, or picked. What cannot be read is said, and keeps the form from being sent. */
const props = withDefaults(
  defineProps<{
    label: string
    /** With a time of day. */
    time?: boolean
  }>(),
  { time: false },
)
/** 2026-11-28, with a time 2026-11-28T15:00; empty for none; what cannot be read as it was written, which no form takes for none. */
const model = defineModel<string>({ required: true })

const EXAMPLES = computed(() => (props.time ? '14 Nov 15:00' : '14 Nov, +4w, end of month'))
const say = (value: string) => {
  const at = fromKept(value)
  return at === undefined ? '' : props.time ? sayMinute(at) : sayDay(at)
}
const written = ref(say(model.value))
const fault = ref('')
const input = ref<ComponentPublicInstance>()
const picking = ref(false)
watch(model, (now) => {
  if (now !== written.value && read(written.value) !== now) written.value = say(now)
})

function read(text: string): string | undefined {
  if (text.trim() === '') return ''
  const at = props.time ? readMinute(text) : readDay(text)
  return at === undefined ? undefined : kept(at, props.time)
}

function typed(text: string | null) {
  written.value = text ?? ''
  const value = read(written.value)
  if (value === undefined) fault.value = `Type a day such as ${EXAMPLES.value}.`
  else fault.value = ''
  const field = (input.value?.$el as HTMLElement | undefined)?.querySelector('input')
  field?.setCustomValidity(fault.value)
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
