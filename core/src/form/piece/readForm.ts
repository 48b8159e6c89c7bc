import { caution, type Caution } from '../../base/caution/index.ts'
import { Problem } from '../../base/problem/index.ts'
import { buildSolid, bodyOf, extrude, type SolidKernel } from '../shape/index.ts'
import { cavityOf, type Cavity } from '../mesh/index.ts'
import {
  closeHoles,
  closureOf,
  fileUnits,
  isClosed,
  nearWeld,
  agreeInPlace,
  halfEdgesOf,
  readMeshFile,
  nearOrigin,
  scaleInPlace,
  weld,
  type HalfEdges,
  type Mesh,
} from '../mesh/index.ts'
import { standIn, volumeOf } from './measured.ts'
import type { Form } from './piece.ts'

/** The steps that reading takes, for progress. */
export const readingSteps = ['read', 'weld', 'mend', 'join', 'check'] as const
export type ReadingStep = (typeof readingSteps)[number]

export interface ReadOptions {
  /** Loads the solid library, where parts of a file overlap. */
  kernel: SolidKernel
  /** Hears what is being done. */
  onStep?: (step: ReadingStep) => void
}

/**
 * The cavity of a piece: built from sizes or an outline, read from the bytes of its file and
 * mended and made one body, or a stand-in of the measured volume.
 *
 * Throws `Problem`: those of `readMeshFile`, `extrude` and `cavityOf`, mesh-missing.
 */
export async function readForm(
  form: Form,
  bytes: Uint8Array | undefined,
  { kernel, onStep = () => {} }: ReadOptions,
): Promise<Cavity> {
  switch (form.from) {
    case 'sizes':
      return cavityOf(buildSolid(form.solid))
    case 'outline':
      return cavityOf(extrude(form.outline))
    case 'measured': {
      const volume = volumeOf(form.measured)
      const cavity = cavityOf(standIn(volume, form))
      return { ...cavity, cautions: [caution('shape-measured', 'note', {}, { volume })] }
    }
    case 'file':
      return readFile(form, bytes, kernel, onStep)
  }
}

async function readFile(
  form: Extract<Form, { from: 'file' }>,
  bytes: Uint8Array | undefined,
  kernel: SolidKernel,
  onStep: (step: ReadingStep) => void,
): Promise<Cavity> {
  if (!bytes) throw new Problem('mesh-missing', { id: form.mesh })
  onStep('read')
  const { mesh, dropped } = await readMeshFile(bytes)
  const said = dropped > 0 ? [caution('mesh-dropped', 'warn', {}, { dropped })] : []
  const moved = nearOrigin(mesh, fileUnits[form.unit])
  onStep('weld')
  const welded = scaleInPlace(weld(moved.mesh), fileUnits[form.unit])
  onStep('mend')
  const mended = mend(welded, form.holes ?? 'left')
  onStep('join')
  const body = await bodyOf(mended.mesh, kernel, mended.edges)
  onStep('check')
  const cavity = cavityOf(body.mesh, body.closure)
  const cautions = [...said, ...moved.cautions, ...mended.cautions, ...body.cautions]
  return { ...cavity, cautions: [...cautions, ...cavity.cautions] }
}

interface Mended {
  mesh: Mesh
  cautions: Caution[]
  /** Where nothing was changed: worth keeping, since they take as long as reading. */
  edges?: HalfEdges
}

/** What can be repaired without guessing, and the holes if asked; each with a report. */
function mend(welded: Mesh, holes: 'left' | 'closed'): Mended {
  const cautions: Caution[] = []
  let mesh = welded
  let edges = halfEdgesOf(mesh)
  let closure = closureOf(mesh, edges)
  if (isClosed(closure)) return { mesh, cautions, edges }
  if (closure.openEdges > 0) {
    const near = nearWeld(mesh)
    if (near.joined > 0) {
      mesh = near.mesh
      edges = halfEdgesOf(mesh)
      closure = closureOf(mesh, edges)
      cautions.push(caution('mesh-joined', 'note', {}, { joined: near.joined }))
    }
  }
  if (closure.flippedEdges > 0) {
    const turned = agreeInPlace(mesh, edges)
    if (turned > 0) cautions.push(caution('mesh-reoriented', 'note', {}, { turned }))
  }
  if (closure.openEdges > 0 && holes === 'closed') {
    const { mesh: whole, closed, area } = closeHoles(mesh)
    mesh = whole
    if (closed > 0) cautions.push(caution('mesh-holes-closed', 'warn', {}, { closed, area }))
  }
  return { mesh, cautions }
}
