import '@fontsource/barlow/400.css'
import '@fontsource/barlow/600.css'
import '@fontsource/barlow-semi-condensed/600.css'
import './styles.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { cleanInput } from '../kit/cleanInput.ts'
import { markSettled } from '../kit/settled.ts'
import { router } from './router.ts'

cleanInput()
markSettled(router)
createApp(App).use(createPinia()).use(router).mount('#app')
