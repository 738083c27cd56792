<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import Dialog from '../ui/Dialog.vue'
import { usePhotographs, type Photograph } from '../stores/photographs'

/** Photographs of one thing: taken here, looked at large, let go. */
const props = defineProps<{ subject: string; name: string }>()
const photos = usePhotographs()
onMounted(() => void photos.load())
const own = computed(() => photos.bySubject.get(props.subject) ?? [])
const shown = ref<Photograph | null>(null)
const open = computed({ get: () => shown.value !== null, set: (now) => { if (!now) shown.value = null } })
const at = (p: Photograph, size: 'small' | 'large') => `/api/photographs/${p.id}?size=${size}`
const when = (p: Photograph) => new Date(p.created_at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
async function taken(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  await photos.add(props.subject, [...(input.files ?? [])])
  input.value = ''
}
async function drop(p: Photograph): Promise<void> {
  await photos.drop(p.id)
  shown.value = null
}
</script>

<template>
  <div class="strip">
    <button v-for="p in own" :key="p.id" type="button" class="one" :aria-label="`Look at the photograph of ${name}, ${when(p)}`" @click="shown = p"><img :src="at(p, 'small')" alt="" loading="lazy" /></button>
    <label class="button noprint">{{ photos.sending ? 'Sending …' : own.length ? 'One more' : 'Photograph it' }}<input class="hidden" type="file" accept="image/jpeg,image/png,image/webp" multiple :aria-label="`Photograph ${name}`" @change="taken" /></label>
    <p v-if="photos.trouble" class="over" role="alert">{{ photos.trouble }}</p>
    <Dialog v-if="shown" v-model:open="open" :title="`${name}, ${when(shown)}`" :width="860">
      <img class="large" :src="at(shown, 'large')" :alt="name" :width="shown.width" :height="shown.height" />
      <button class="textlink" type="button" @click="drop(shown)">Let this photograph go</button>
    </Dialog>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.one {
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0;
  background: none;
  cursor: pointer;
  line-height: 0;
}
.one img {
  height: 64px;
  min-width: 44px;
  object-fit: cover;
}
label.button {
  position: relative;
  display: inline-flex;
  align-items: center;
}
label.button:focus-within {
  outline: 2px solid var(--focus);
}
.large {
  max-width: 100%;
  height: auto;
  display: block;
  margin-bottom: 8px;
}
</style>
