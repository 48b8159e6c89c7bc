import type { ManifoldToplevel } from 'manifold-3d'

let loading: Promise<ManifoldToplevel> | undefined

/** The solid library, fetched when something needs it, once in a worker. */
export function solidKernel(): Promise<ManifoldToplevel> {
  loading ??= load().catch((error: unknown) => {
    loading = undefined
    throw error
  })
  return loading
}

async function load(): Promise<ManifoldToplevel> {
  const [{ default: manifoldModule }, { default: wasmUrl }] = await Promise.all([
    import('manifold-3d'),
    import('manifold-3d/manifold.wasm?url'),
  ])
  const kernel = await manifoldModule({ locateFile: () => wasmUrl })
  kernel.setup()
  return kernel
}
