<template>
  <main class="nowhere">
    <p>There is nothing at this address.</p>
    <router-link to="/">To the shelf</router-link>
  </main>
</template>

<style scoped>
.nowhere {
  padding: 48px;
}
</style>
