<template>
  <VThemeProvider theme="room" with-background class="room">
    <main id="main"><slot /></main>
  </VThemeProvider>
</template>

<style scoped>
.room {
  min-height: 100dvh;
}
</style>
