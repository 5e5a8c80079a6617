<template>
  <VThemeProvider theme="room" class="room"><main id="main"><slot /></main></VThemeProvider>
</template>

<style scoped>.room { background: #14100C; color: #F8EBD6; min-height: 100dvh; }</style>
