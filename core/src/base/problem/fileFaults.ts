/** What can be wrong inside a file of shapes or materials. */
export type FileFault =
  | 'header-open'
  | 'count-over-bytes'
  | 'no-corners'
  | 'corners-of-face'
  | 'no-model'
  | 'not-unpacked'
  | 'entities'
  | 'not-well-formed'
  | 'unknown-unit'
  | 'no-transform'
  | 'part-missing'
  | 'no-part'
  | 'holds-itself'
  | 'not-json'
  | 'no-materials'
  | 'no-columns'
  | 'newer-version'
  | 'reader-stopped'

/** What can be wrong inside a drawing. */
export type DrawingFault = 'point-nowhere' | 'holds-itself' | 'reader-stopped'

/** What people drop where a shape is wanted. */
export type OtherFile =
  'pdf' | 'web-page' | 'svg' | 'xml' | 'json' | 'png' | 'jpeg' | 'gif' | 'step' | 'archive'
