<template><main>hello</main></template>
