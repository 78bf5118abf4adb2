import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { sceneAlone } from '../../core/glow/play'
import type { Box } from '../../core/measure/geometry'
import type { Show } from '../../core/plan/plan'
import { useAddress } from '../shell/address'
import { openIn, withLayer, withScene } from './show-edit'

export interface SceneEditor {
  /** Ids of the scene and of the layer that are open. */
  readonly sceneId: Ref<string | undefined>
  readonly layerId: Ref<string | undefined>
  /** What is played: while a scene is edited it plays alone. */
  readonly staged: ComputedRef<Show | undefined>
  /** The part of the room that the open layer plays in, mm. */
  readonly zone: ComputedRef<Box | undefined>
  readonly setZone: (zone: Box) => void
}

/** The scene of a show that is edited, and its layer. */
export function useSceneEditor(
  show: Ref<Show | undefined>,
  isEditing: () => boolean,
  put: (show: Show, label: string) => void,
): SceneEditor {
  const sceneId = useAddress<string | undefined>('scene', undefined)
  const layerId = ref<string>()
  const edited = computed(() => openIn(show.value, sceneId.value, layerId.value))
  return {
    sceneId,
    layerId,
    staged: computed(() => {
      const { scene } = edited.value
      return isEditing() && show.value !== undefined && scene !== undefined
        ? sceneAlone(show.value, scene)
        : show.value
    }),
    zone: computed(() => {
      const on = isEditing() ? edited.value.layer?.on : undefined
      return on !== undefined && on !== 'all' && 'zone' in on ? on.zone : undefined
    }),
    setZone: (zone) => {
      const { scene, layer } = edited.value
      if (show.value === undefined || scene === undefined || layer === undefined) return
      put(withScene(show.value, withLayer(scene, { ...layer, on: { zone } })), 'where it plays')
    },
  }
}
