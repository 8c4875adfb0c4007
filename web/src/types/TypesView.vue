<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/shell/DraftedMark.vue'
import { counted } from '@/shell/words'
import TypeDetail from './TypeDetail.vue'
import TypeMatrix from './TypeMatrix.vue'

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const query = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const types = computed(() => query.data.value ?? [])
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const view = computed(() => (id.value === 'matrix' ? 'matrix' : 'one'))
/** What a new type starts from: nothing, or a similar one. */
const making = ref<{ form: number; from?: Schemas['TypeView'] }>()
let made = 0
const chosen = computed(() => (making.value === undefined ? types.value.find((type) => type.id === id.value) : undefined))

function begin(from?: Schemas['TypeView']) {
  making.value = { form: ++made, from }
}
/** The end of one form does not close the next. */
function end(form: number) {
  if (making.value?.form === form) making.value = undefined
}
function choose(type: string) {
  making.value = undefined
  void router.push({ name: 'types', params: { id: type } })
}
</script>

<template>
  <div class="types">
    <section class="left" aria-label="Types">
      <div class="head">
        <h1>Types</h1>
        <v-btn v-if="may('types')" size="small" class="is-main" @click="begin()">New type</v-btn>
      </div>
      <button type="button" class="linklike all" @click="choose('matrix')">Who may see, add and delete papers of each type</button>
      <ul class="sheet">
        <li v-for="type in types" :key="type.id" :data-chosen="type.id === chosen?.id">
          <div>
            <button type="button" class="linklike row-name" @click="choose(type.id)">{{ type.name }}</button> <DraftedMark :drafted="type.drafted" />
            <span v-if="type.guarded" class="mark">guarded</span>
            <p class="quiet">{{ counted(type.documents, 'document') }} · {{ counted(type.fields.length, 'field') }}</p>
            <p v-if="type.guarded && type.clearances.length === 0" class="caution">Guarded, and cleared for nobody.</p>
          </div>
          <button v-if="may('types')" type="button" class="linklike" :aria-label="`Start a new type from ${type.name}`" @click="begin(type)">Start from it</button>
        </li>
        <li v-if="query.isFetched.value && types.length === 0" class="quiet">There are no types yet. Most rules about a document hang on its type: its fields, and who may see it.</li>
      </ul>
    </section>
    <section class="right" aria-label="The type">
      <TypeMatrix v-if="view === 'matrix' && making === undefined" />
      <TypeDetail v-else-if="making" :key="making.form" :form="making.form" :like="making.from" @done="end" />
      <TypeDetail v-else-if="chosen" :key="chosen.id + chosen.drafted" :type="chosen" @done="() => undefined" />
      <p v-else class="quiet hint">Choose a type to see its fields and who is cleared for it, or start a new one from a similar one.</p>
    </section>
  </div>
</template>

<style scoped>
.types {
  height: 100%;
  display: flex;
  gap: 20px;
  padding: 16px 22px;
}
.left {
  width: 340px;
  flex: none;
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.all {
  text-align: left;
}
ul {
  list-style: none;
  overflow: auto;
}
li > .linklike {
  flex: none;
  white-space: nowrap;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--pg-line);
}
li[data-chosen='true'] {
  background: rgba(var(--v-theme-primary), 0.09);
}
.right {
  flex: 1;
  min-width: 0;
  overflow: auto;
  padding-top: 8px;
}
.hint {
  padding: 46px 20px;
}
@media (max-width: 900px) {
  .types {
    flex-direction: column;
    overflow: auto;
  }
  .left {
    width: 100%;
  }
}
</style>
