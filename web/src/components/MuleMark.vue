<template>
  <svg viewBox="0 0 26 26" width="24" height="24" aria-hidden="true">
    <g fill="none" stroke="currentColor" stroke-width="2.2" stroke-linejoin="round">
      <path d="M3 10h6v13H3zM17 10h6v13h-6z" />
      <path d="M3 10V7a4 4 0 0 1 4-4h12a4 4 0 0 1 4 4v3" />
      <path d="M5 14h2M19 14h2" />
    </g>
  </svg>
</template>
