<script setup lang="ts">
import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import ConfigProvider from 'ant-design-vue/es/config-provider'
import { computed, onMounted, provide, ref, shallowRef, watchEffect } from 'vue'
import { lookOf } from './ui/look'
import { THEME } from './ui/theme'
import { useVocabulary } from './stores/vocabulary'

const words = useVocabulary()
const failed = ref(false)
const chosen = useLocalStorage<'auto' | 'light' | 'dark'>('gauge-well-theme', 'auto')
const prefersDark = usePreferredDark()
const dark = computed(() => (chosen.value === 'auto' ? prefersDark.value : chosen.value === 'dark'))
provide(THEME, { dark, toggle: () => (chosen.value = dark.value ? 'light' : 'dark') })

const look = shallowRef()
watchEffect(() => {
  document.documentElement.dataset.theme = dark.value ? 'dark' : 'light'
  look.value = lookOf(dark.value)
})

async function load(): Promise<void> {
  failed.value = false
  try {
    await words.load()
  } catch {
    failed.value = true
  }
}
onMounted(load)

/** Past the bar and the stations, for who goes by keys. */
function skip(): void {
  const page = document.querySelector<HTMLElement>('main')
  page?.setAttribute('tabindex', '-1')
  page?.focus()
}
</script>

<template>
  <a class="skip" href="#page" @click.prevent="skip">Skip to the page</a>
  <ConfigProvider :theme="look">
    <router-view v-if="words.words" />
    <main v-else-if="failed" class="dead">
      <h1>The server does not answer</h1>
      <button class="button" type="button" @click="load">Try again</button>
    </main>
  </ConfigProvider>
</template>

<style scoped>
.skip {
  position: fixed;
  z-index: 20;
  top: 6px;
  left: 6px;
  padding: 8px 14px;
  background: var(--card);
  color: var(--ink);
  border: 2px solid var(--brass);
  border-radius: 4px;
  transform: translateY(-200%);
}
.skip:focus {
  transform: none;
}
.dead h1 {
  font: 600 22px/1.25 var(--words);
}
.dead {
  padding: 48px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
</style>
