<template>
  <main class="nowhere">
    <h1>There is nothing at this address</h1>
    <router-link to="/">To the shelf</router-link>
  </main>
</template>

<style scoped>
h1 {
  font: 600 25px/1.25 var(--words);
}
.nowhere {
  padding: 48px;
}
</style>
