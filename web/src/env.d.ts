declare module '*.vue' {
  import type { DefineComponent } from 'vue'
  const component: DefineComponent<object, object, unknown>
  export default component
}

/** What is used of pdfmake 0.3 in the browser; it brings no types. */
declare module 'pdfmake/build/pdfmake.js' {
  const pdfMake: {
    addFonts: (fonts: Record<string, { normal: string; bold: string }>) => void
    createPdf: (definition: object) => { getBlob: () => Promise<Blob> }
  }
  export default pdfMake
}

/** A hash of the computation's sources, set by the build: answers that are kept are those of one version. */
declare const __COMPUTATION__: string | undefined
