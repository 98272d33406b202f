import '@fontsource/barlow/400.css';
import '@fontsource/barlow/500.css';
import '@fontsource/barlow/600.css';
import '@fontsource/barlow-semi-condensed/500.css';
import '@fontsource/barlow-semi-condensed/600.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { titlePages } from './page-titles';
import { preloadRooms } from './preload';
import { makeRouter } from './router';
import './style.css';
import { makeVuetify } from './theme';

const router = makeRouter();
preloadRooms(router);
titlePages(router);
createApp(App).use(createPinia()).use(makeVuetify()).use(router).mount('#app');
