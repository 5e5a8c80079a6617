<template>
  <main id="main" tabindex="-1"><slot /></main>
</template>
