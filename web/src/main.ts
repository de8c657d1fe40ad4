import '@fontsource-variable/archivo/wdth.css'
import './theme/tokens.css'
import './theme/base.css'
import './theme/parts.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { queries } from './api/cache'
import { router } from './router'
import { vuetify } from './theme/vuetify'

createApp(App).use(vuetify).use(VueQueryPlugin, { queryClient: queries }).use(router).mount('#app')
