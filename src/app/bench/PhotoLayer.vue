<script setup lang="ts">
import type { Photo } from '../../core/plan/plan'

defineProps<{ photo: Photo }>()
</script>

<template>
  <image
    :href="photo.data"
    :x="photo.at[0]"
    :y="photo.at[1]"
    :width="photo.widthPx * photo.mmPerPx"
    :height="photo.heightPx * photo.mmPerPx"
    :opacity="photo.opacity"
    preserveAspectRatio="none"
    class="pointer-events-none"
  />
</template>
