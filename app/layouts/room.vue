<template>
  <VThemeProvider theme="room"
    ><main id="main" class="room"><slot /></main
  ></VThemeProvider>
</template>

<style scoped>
.room {
  background: #14100c;
  color: #f8ebd6;
  min-height: 100dvh;
}
</style>
