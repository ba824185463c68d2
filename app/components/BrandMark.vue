<template>
  <svg width="34" height="26" viewBox="0 0 34 26" aria-hidden="true">
    <path
      d="M2 23C7 23 9 4 17 4s10 19 15 19"
      fill="none"
      stroke="var(--spruce)"
      stroke-width="2.4"
      stroke-linecap="round"
    />
    <path
      d="M9.5 23C12 23 13 11 17 11s5 12 7.5 12"
      fill="none"
      stroke="var(--spruce)"
      stroke-width="1.4"
      stroke-linecap="round"
    />
    <path
      d="M14.6 23c1 0 1.2-5 2.4-5s1.4 5 2.4 5"
      fill="none"
      stroke="var(--spruce)"
      stroke-width="1.1"
      stroke-linecap="round"
    />
  </svg>
</template>
