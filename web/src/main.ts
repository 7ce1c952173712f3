import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import './look/theme.css';
import { router } from './router.ts';

createApp(App).use(createPinia()).use(router).mount('#app');

/** Once the first view stands: the shell goes onto the device, and tells when a newer one is there. */
addEventListener('load', () => void import('./shell.ts').then(({ keepShell }) => keepShell()));
