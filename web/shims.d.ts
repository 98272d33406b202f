declare module '*.vue' {
  import type { DefineComponent } from 'vue';
  const component: DefineComponent<object, object, unknown>;
  export default component;
}
declare module '@fontsource/*';
declare module 'vuetify/styles';
declare module 'exifr/dist/lite.esm.mjs' {
  export function parse(file: Blob): Promise<unknown>;
}
declare module 'pdfkit/standard-fonts/*';
