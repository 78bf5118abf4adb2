<script setup lang="ts">
import { driver, type DriveStep } from 'driver.js'
import 'driver.js/dist/driver.css'
import { onMounted, onScopeDispose } from 'vue'

const emit = defineEmits<{ close: [] }>()

/** What is pointed at, in the order of the work; what is not on the page is left out. */
const stops: readonly { readonly at: string; readonly title: string; readonly text: string }[] = [
  {
    at: 'section[aria-label="Pad"]',
    title: 'The pad',
    text: "One line, one lit place, as you read it off the tape: “shelf 650”, “mirror ring 382”, “frame 3' 2&quot; x 1' 6&quot;”. Beside it stands what was understood.",
  },
  {
    at: 'section[aria-label="Drawing"]',
    title: 'The drawing',
    text: 'Each place to scale. Drag it where it belongs, click a length to change it, put a photo of the room behind it.',
  },
  {
    at: 'section[aria-label="Light"]',
    title: 'The light',
    text: 'Which strip a place gets: volts, pixels to a metre, brightness. Your own strips can be added.',
  },
  {
    at: 'section[aria-label="Supply"]',
    title: 'The supply',
    text: 'What feeds it all, and how near its limit it is. By itself the next size up is chosen.',
  },
  {
    at: 'aside[aria-label="Tally"]',
    title: 'The tally',
    text: 'Every figure with the sum that made it. Stops and warnings stand between the lines, with fixes to click.',
  },
  {
    at: 'nav[aria-label="Stages"]',
    title: 'The pages',
    text: 'The work in its order: cut, feed, signal and wire are the plan; buy, build, glow and mend is the doing.',
  },
  {
    at: '[data-guide="help"]',
    title: 'Help',
    text: 'Shortcuts, words and this tour are always here, or under the ? key.',
  },
]

const isThere = (at: string): boolean => {
  const element = document.querySelector(at)
  return element !== null && element.getClientRects().length > 0
}

const tour = driver({
  showProgress: true,
  progressText: '{{current}} of {{total}}',
  nextBtnText: 'Next',
  prevBtnText: 'Back',
  doneBtnText: 'Done',
  // While it moves it hears no key.
  animate: false,
  popoverClass: 'guide',
  onDestroyed: () => {
    emit('close')
  },
})
onMounted(() => {
  tour.setSteps(
    stops
      .filter(({ at }) => isThere(at))
      .map(({ at, title, text }): DriveStep => ({
        element: at,
        popover: { title, description: text },
      })),
  )
  tour.drive()
})
onScopeDispose(() => {
  tour.destroy()
})
</script>

<template><span class="hidden" /></template>

<style>
.guide.driver-popover {
  border: 1px solid var(--color-bench-line);
  border-radius: 10px;
  background: var(--color-bench-raised);
  color: var(--color-bench-ink);
  font-family: var(--font-sans);

  & * {
    font-family: inherit;
  }

  .driver-popover-title {
    font-size: 16px;
  }

  .driver-popover-progress-text {
    color: var(--color-bench-soft);
    font-size: 12.5px;
  }

  .driver-popover-close-btn,
  .driver-popover-close-btn:hover {
    color: var(--color-bench-soft);
  }

  .driver-popover-footer button {
    min-height: 30px;
    border: 1px solid var(--color-bench-line);
    border-radius: 6px;
    background: var(--color-bench-high);
    color: inherit;
    font-size: 13px;
    text-shadow: none;
  }

  .driver-popover-arrow {
    display: none;
  }
}
</style>
