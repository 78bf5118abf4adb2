<template>
  <details class="col-span-2 border-t border-bench-line pt-2">
    <summary class="cursor-pointer text-[13px] text-bench-soft hover:text-bench-text">
      More figures, at typical values
    </summary>
    <div class="mt-3 grid grid-cols-2 gap-x-4 gap-y-3">
      <slot />
    </div>
  </details>
</template>
