import '@fontsource/barlow/400.css';
import '@fontsource/barlow/500.css';
import '@fontsource/barlow/600.css';
import '@fontsource/barlow-semi-condensed/500.css';
import '@fontsource/barlow-semi-condensed/600.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { makeRouter } from './router';
import './style.css';
import { makeVuetify } from './theme';

createApp(App).use(createPinia()).use(makeVuetify()).use(makeRouter()).mount('#app');
