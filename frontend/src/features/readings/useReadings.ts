import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Schemas } from '../../api/client'
import { floor } from '../../api/floor'
import { line, useBuild } from '../../stores/build'
import { columnsText, kindOf, recipeOf, type Drive, type FileRead, type Readings, type Recording } from './logic'
import { said } from '../../ui/said'

/** Readings, drives and the logbook of the open build. */
export const useReadings = defineStore('readings', () => {
  const build = useBuild()
  const found = shallowRef<Readings | null>(null)
  const of = ref('')
  const trouble = ref('')
  const recordings = shallowRef<Recording[]>([])
  const since = shallowRef<Schemas['SinceOut'] | null>(null)
  /** What is driven: what was picked, else the newest recording, else a drive that ships. */
  const chosen = ref('')
  const picked = computed({ get: () => chosen.value || recordings.value[0]?.id || found.value?.drives[0]?.id || '', set: (id) => (chosen.value = id) })
  const drive = shallowRef<Drive | null>(null)
  const driveTrouble = ref('')
  const recording = computed(() => recordings.value.find((r) => r.id === picked.value) ?? null)
  /** A file that was opened, before it is kept. */
  const file = shallowRef<{ name: string; content: Blob; kind: 'csv' | 'gpx'; read: FileRead | null } | null>(null)
  const fileTrouble = ref('')

  async function load(signal: AbortSignal): Promise<void> {
    const own = build.build
    if (!own) return
    if (of.value !== own.id) {
      found.value = drive.value = since.value = null
      recordings.value = []
      chosen.value = ''
      file.value = null
    }
    const next = await floor.readings(build.document, signal)
    if (signal.aborted || build.build?.id !== own.id) return
    found.value = next
    of.value = own.id
    trouble.value = ''
  }
  const refused = (error: unknown) => (trouble.value = said(error))

  async function list(): Promise<void> {
    const own = build.build?.id
    if (!own) return
    const next = await floor.recordings(own)
    if (build.build?.id === own) recordings.value = next.recordings
  }

  async function work(signal: AbortSignal): Promise<void> {
    const own = build.build?.id
    if (!own || !picked.value) return
    const asked = recording.value ? { drive: '', recording: picked.value } : { drive: picked.value, recording: '' }
    const next = await floor.drive(build.document, asked, signal)
    if (signal.aborted || build.build?.id !== own) return
    drive.value = next
    driveTrouble.value = ''
  }
  const driveRefused = (error: unknown) => {
    drive.value = null
    driveTrouble.value = said(error)
  }

  async function look(): Promise<void> {
    const own = build.build?.id
    if (!own) return
    const next = await floor.since(own)
    if (build.build?.id === own) since.value = next
  }

  /** Read a file, by the recipe of its heads where one is kept. */
  async function open(name: string, content: Blob, columns = ''): Promise<void> {
    const kind = kindOf(name)
    fileTrouble.value = ''
    try {
      let read = await floor.recordingRead(content, { kind, columns })
      const recipe = columns ? undefined : recipeOf(found.value?.recipes ?? [], read.heads)
      if (recipe) read = await floor.recordingRead(content, { kind, columns: recipe.columns })
      file.value = { name, content, kind, read }
    } catch (error) {
      // Columns that cannot be read so leave the file as it was opened.
      if (file.value?.name !== name || !columns) file.value = { name, content, kind, read: null }
      fileTrouble.value = said(error)
    }
  }

  /** Keep the file with the build, and how its columns are read as a recipe. */
  async function keep(name: string): Promise<boolean> {
    const own = build.build?.id
    const { content, kind, read } = file.value ?? {}
    if (!own || !content || !kind || !read) return false
    fileTrouble.value = ''
    try {
      const columns = kind === 'csv' ? columnsText(read.columns) : ''
      const kept = await floor.recordingKeep(content, { build: own, name, kind, columns })
      if (columns && read.heads.length < 4000) {
        const id = recipeOf(found.value?.recipes ?? [], read.heads)?.id ?? `recipe_${(found.value?.recipes.length ?? 0) + 1}`
        await build.send([line(`readings.recipes.${id}.heads`, read.heads), line(`readings.recipes.${id}.columns`, columns)])
      }
      await list()
      chosen.value = kept.id
      file.value = null
      return true
    } catch (error) {
      fileTrouble.value = said(error)
      return false
    }
  }

  async function drop(id: string): Promise<void> {
    try {
      await floor.recordingDrop(id)
      if (chosen.value === id) chosen.value = ''
      await list()
    } catch (error) {
      driveTrouble.value = said(error)
    }
  }

  return { found, trouble, recordings, recording, since, picked, drive, driveTrouble, file, fileTrouble, load, refused, list, work, driveRefused, look, open, keep, drop }
})
