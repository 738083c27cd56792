<script setup lang="ts">
import Result from 'ant-design-vue/es/result'
</script>

<template>
  <main>
    <Result status="info">
      <template #title><h1>There is nothing at this address</h1></template>
      <template #icon><span /></template>
      <template #extra><router-link to="/">To the shelf</router-link></template>
    </Result>
  </main>
</template>

<style scoped>
h1 {
  font: 600 25px/1.25 var(--words);
}
</style>
