import plainUrl from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff?url'
import boldUrl from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff?url'

const absolute = (url: string) => new URL(url, location.href).href

/** A PDF in our own type. */
export async function makePdf(definition: Record<string, unknown>): Promise<Blob> {
  const { default: pdfMake } = await import('pdfmake/build/pdfmake.js')
  pdfMake.addFonts({
    Hanken: { normal: absolute(plainUrl), bold: absolute(boldUrl) },
  })
  return pdfMake
    .createPdf({ ...definition, defaultStyle: { font: 'Hanken', fontSize: 9 } })
    .getBlob()
}
