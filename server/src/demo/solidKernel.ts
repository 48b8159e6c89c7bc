import manifoldModule, { type ManifoldToplevel } from 'manifold-3d'

/** The solid library, ready to be used. */
export async function solidKernel(): Promise<ManifoldToplevel> {
  const kernel = await manifoldModule()
  kernel.setup()
  return kernel
}
