<script setup lang="ts">
import Result from 'ant-design-vue/es/result'
</script>

<template>
  <main>
    <Result status="info" title="There is nothing at this address">
      <template #icon><span /></template>
      <template #extra><router-link to="/">To the shelf</router-link></template>
    </Result>
  </main>
</template>
