<template>
  <div class="door">
    <div class="left">
      <svg viewBox="0 0 400 300" aria-hidden="true" class="bowl">
        <path d="M40 96h320c0 96-62 164-160 164S40 192 40 96z" fill="var(--basin-pale)" />
        <path
          d="M52 140c42 16 84-12 148 2s104 8 148-4c-14 74-68 122-148 122S66 212 52 140z"
          fill="var(--basin)"
        />
        <path d="M28 96h344" stroke="var(--oak)" stroke-width="9" stroke-linecap="round" />
        <path
          d="M150 70c-8-14 8-22 0-38M200 70c-8-14 8-22 0-38M250 70c-8-14 8-22 0-38"
          fill="none"
          stroke="var(--oak-light)"
          stroke-width="4"
          stroke-linecap="round"
        />
      </svg>
    </div>
    <div class="form"><slot /></div>
  </div>
</template>

<style scoped>
.door {
  min-height: 100dvh;
  display: grid;
  grid-template-columns: 1fr 1fr;
  background: var(--linen);
}
.left {
  background: var(--linen-deep);
  display: grid;
  place-items: center;
}
.bowl {
  width: min(62%, 420px);
}
.form {
  align-self: center;
  justify-self: center;
  width: min(400px, 86vw);
  padding: 20px 0;
}
@media (max-width: 820px) {
  .door {
    grid-template-columns: 1fr;
  }
  .left {
    display: none;
  }
}
</style>
