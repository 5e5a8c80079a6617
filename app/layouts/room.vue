<template>
  <VThemeProvider theme="room" with-background class="room">
    <main id="main" tabindex="-1"><slot /></main>
  </VThemeProvider>
</template>

<style scoped>
.room {
  min-height: 100dvh;
}
</style>
