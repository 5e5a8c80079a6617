<template>
  <main id="main"><slot /></main>
</template>
