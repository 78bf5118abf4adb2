import type { Scene, Show, ShowLayer } from '../../core/plan/plan'

/** The scene of a show that is open, and the layer of it: the first ones where nothing is. */
export function openIn(
  show: Show | undefined,
  sceneId: string | undefined,
  layerId: string | undefined,
): { readonly scene: Scene | undefined; readonly layer: ShowLayer | undefined } {
  const scene = show?.scenes.find(({ id }) => id === sceneId) ?? show?.scenes[0]
  const layer = scene?.layers.find(({ id }) => id === layerId) ?? scene?.layers[0]
  return { scene, layer }
}

/** A show with a scene of it as it is now. */
export const withScene = (show: Show, scene: Scene): Show => ({
  ...show,
  scenes: show.scenes.map((one) => (one.id === scene.id ? scene : one)),
})

/** A scene with a layer of it as it is now. */
export const withLayer = (scene: Scene, layer: ShowLayer): Scene => ({
  ...scene,
  layers: scene.layers.map((one) => (one.id === layer.id ? layer : one)),
})
