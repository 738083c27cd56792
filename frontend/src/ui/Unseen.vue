<script setup lang="ts">
import Empty from 'ant-design-vue/es/empty'
import Waiting from './Waiting.vue'

/** In a drawing's place: it is on its way, or what must be given before it can be drawn. */
defineProps<{ waiting?: boolean }>()
</script>

<template>
  <Waiting v-if="waiting" label="The drawing is on its way" :height="280" />
  <Empty v-else class="unseen" :image-style="{ display: 'none' }"><template #description><span class="mute"><slot /></span></template></Empty>
</template>

<style scoped>
.unseen {
  padding: 40px 0;
  text-align: left;
}
</style>
