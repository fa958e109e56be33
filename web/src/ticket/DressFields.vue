<script setup lang="ts">
import { computed, watch } from 'vue'
import { useAttempt } from '../site/attempt'
import Choice from '../parts/Choice.vue'
import NumberField from '../parts/NumberField.vue'
import { useColourways } from '../sheets/colourways'
import { useSite } from '../site/site'
import { commonDress, UNTOLD, type Told } from './dressing'

/** Finishes, tint, wear and lamps by hand: of placements, or of all that is in a room. */
const props = defineProps<{ ids?: readonly string[]; roomId?: number }>()
const site = useSite()
const colourways = useColourways()
const { refusal, attempt } = useAttempt()

const chosen = computed(() => new Set(props.ids))
const dress = computed(() =>
  props.roomId !== undefined
    ? commonDress(site.dresses, (d) => (d.roomIds.includes(props.roomId!) ? 1 : 0), 1)
    : commonDress(site.dresses, (d) => d.ids.filter((id) => chosen.value.has(id)).length, chosen.value.size),
)
const isTold = computed(() => Object.entries(UNTOLD).some(([key, none]) => dress.value[key as keyof Told] !== none))
/** Lamps are dimmed where there are any: in a room there may be. */
const hasLamps = computed(() => props.roomId !== undefined || site.selected.some((p) => site.pieceById.get(p.pieceId)?.trait.lamps.all?.length))
const whose = computed(() => (props.roomId === undefined ? 'as its room' : 'the site’s'))

const finishes = computed(() => [
  { value: 0, label: `${whose.value}${props.roomId === undefined ? '' : `: ${colourways.used?.name ?? ''}`}` },
  ...colourways.all.filter((c) => c.id !== 0).map((c) => ({ value: c.id, label: c.name })),
])
watch(
  () => [props.ids, props.roomId],
  () => (refusal.value = undefined),
)

const of = () => (props.roomId === undefined ? { ids: props.ids } : { roomIds: [props.roomId] })
const tell = (told: Partial<Told>) => {
  const typedFor = props.roomId === undefined && site.isSelecting() ? undefined : of()
  void attempt(() =>
    site.make(props.roomId === undefined ? 'Dress placements' : 'Dress the room', 'PATCH', '/dresses', {
      ...(typedFor ?? { ids: [...site.selection] }),
      ...told,
    }),
  )
}
const eventValue = (e: Event) => (e.target as HTMLInputElement).value
</script>

<template>
  <div class="fields dress" role="group" :aria-label="roomId === undefined ? 'Finish of what is selected' : 'Finish of the room'">
    <label class="field wide"
      ><span>Colourway</span>
      <Choice
        :value="dress.colourwayId"
        :options="finishes"
        placeholder="various"
        label="Colourway by hand"
        @change="(id) => tell({ colourwayId: Number(id) })" />
    </label>
    <NumberField
      label="Wear, %"
      aria="Wear in percent"
      :value="dress.wear === undefined || dress.wear < 0 ? undefined : dress.wear"
      :placeholder="dress.wear === undefined ? 'various' : roomId === undefined ? 'as room' : 'none'"
      :error="refusal?.about('wear')"
      @change="(wear) => tell({ wear })" />
    <NumberField
      v-if="hasLamps"
      label="Lamps, %"
      aria="Lamps in percent"
      :value="dress.lamps === undefined || dress.lamps < 0 ? undefined : dress.lamps"
      :placeholder="dress.lamps === undefined ? 'various' : roomId === undefined ? 'as room' : 'lit'"
      :error="refusal?.about('lamps')"
      @change="(lamps) => tell({ lamps })" />
    <label class="field"
      ><span>Tint</span>
      <span class="row tight"
        ><input type="color" :value="dress.tint || '#ffffff'" aria-label="Tint by hand" @change="(e) => tell({ tint: eventValue(e) })" />
        <button v-if="isTold" type="button" class="plain" title="Back to the default finish" aria-label="Back to the default finish" @click="tell(UNTOLD)">
          ✕
        </button></span
      >
    </label>
    <p v-if="refusal && !refusal.about('wear') && !refusal.about('lamps')" class="fault" role="alert">{{ refusal.message }}</p>
  </div>
</template>

<style scoped>
.dress {
  grid-template-columns: 1fr repeat(auto-fit, 74px);
}
.tight {
  gap: 4px;
}
input[type='color'] {
  width: 40px;
  height: 28px;
  padding: 1px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
}
</style>
