import type { FileUnit } from '@mivro/core/form/mesh'
import type { DrawingFault, FileFault, OtherFile } from '@mivro/core/base/problem'

/** What is wrong inside a file; `found` is what stands in it. */
export const fileFaultWords: Record<FileFault, (found: string) => string> = {
  'header-open': () => 'its header does not end',
  'count-over-bytes': (found) => `it announces ${found} faces, more than its bytes can hold`,
  'no-corners': () => 'it holds no corner ("v") lines',
  'corners-of-face': (found) => `a face of it has ${found} corners`,
  'no-model': () => 'the archive holds no model',
  'not-unpacked': () => "the archive can't be unpacked",
  entities: () => 'it declares entities, which a model has no need of',
  'not-well-formed': (found) => `it is not well-formed XML${found && ` (${found})`}`,
  'unknown-unit': (found) => `it is in "${found}", which is no unit of the format`,
  'no-transform': (found) => `"${found}" is no transform`,
  'part-missing': (found) => `it builds "${found}", which it does not hold`,
  'no-part': () => 'its model holds no part',
  'holds-itself': () => 'its parts hold one another in a circle',
  'not-json': () => 'it is not JSON',
  'no-materials': () => 'it holds no list "materials"',
  'no-columns': () => 'its first line names no columns "kind" and "name"',
  'newer-version': () => 'it is of a newer version',
  'reader-stopped': (found) => found,
}

export const drawingFaultWords: Record<DrawingFault, (found: string) => string> = {
  'point-nowhere': () => 'a point of it has no place',
  'holds-itself': () => 'a part of it uses itself',
  'reader-stopped': (found) => found,
}

export const otherFileWords: Record<OtherFile, string> = {
  pdf: 'a PDF document',
  'web-page': 'a web page',
  svg: 'an SVG drawing',
  xml: 'an XML document',
  json: 'a JSON document',
  png: 'a PNG picture',
  jpeg: 'a JPEG picture',
  gif: 'a GIF picture',
  step: 'a STEP model',
  archive: 'a packed archive',
}

/**
 * Which unit a file that names none is probably in.
 *
 * @example sayLikelyUnits(['cm', 'in']) // 'It could be cm or in: please choose.'
 */
export function sayLikelyUnits(likely: readonly FileUnit[]): string {
  if (likely.length === 0) return 'No unit makes it a usual size: please choose.'
  return likely.length === 1
    ? `It looks like ${likely[0]}: please choose.`
    : `It could be ${likely.join(' or ')}: please choose.`
}
