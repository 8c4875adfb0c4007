import { VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import '@fontsource/source-sans-3/400.css'
import '@fontsource/source-sans-3/600.css'
import '@fontsource/source-serif-4/600.css'
import 'vuetify/styles'
import './shell/style.css'
import App from './shell/App.vue'
import { focusFirst } from './common/focusFirst'
import { queryClient } from './common/queries'
import { returnFocus } from './shell/focusReturn'
import { router } from './shell/router'
import { vuetify } from './shell/vuetify'

returnFocus(router)

createApp(App).use(createPinia()).use(router).use(vuetify).use(VueQueryPlugin, { queryClient }).directive('focus-first', focusFirst).mount('#app')
