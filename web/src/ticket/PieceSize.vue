<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { ref, shallowRef, watch } from 'vue'
import { NoAnswer, Refusal, send, type PieceView, type ResizedView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { tell, useSite } from '../site/site'
import { counted } from '../measure/format'

/** The size of a piece of wall that the kit chose: typed here, worked out wherever it stands, and shown before it is taken. */
const props = defineProps<{ piece: PieceView }>()
const site = useSite()
const wanted = shallowRef<{ lengthMm: number; heightMm: number }>()
const found = shallowRef<ResizedView>()
const faults = ref<Record<string, string>>({})
const forget = () => {
  wanted.value = found.value = undefined
  faults.value = {}
}
watch([() => props.piece.id, () => site.site?.revision], forget)

async function size(some: { lengthMm?: number; heightMm?: number }) {
  const mine = { lengthMm: props.piece.sizeMm.x, heightMm: props.piece.sizeMm.z, ...wanted.value, ...some }
  wanted.value = mine
  found.value = undefined
  faults.value = {}
  if (mine.lengthMm === props.piece.sizeMm.x && mine.heightMm === props.piece.sizeMm.z) return forget()
  try {
    const answer = await send<ResizedView>('POST', `/api/sites/${site.site!.id}/pieces/${props.piece.id}/resized`, mine)
    if (wanted.value === mine) found.value = answer
  } catch (e) {
    if (wanted.value !== mine) return
    wanted.value = undefined
    if (e instanceof Refusal) faults.value = Object.fromEntries(e.faults.map((f) => [f.field, f.message]))
    else if (e instanceof NoAnswer) tell(e)
    else throw e
  }
}
const take = () => void site.inTurn(() => site.make('Build from the kit', 'PUT', '/kit', { option: found.value!.option })).catch(tell)
</script>

<template>
  <div role="group" aria-label="Size of the piece" class="size">
    <div class="fields">
      <LengthField
        label="Length everywhere"
        :mm="wanted?.lengthMm ?? piece.sizeMm.x"
        :error="faults.lengthMm"
        @change="(lengthMm) => void size({ lengthMm })" />
      <LengthField
        label="Height everywhere"
        :mm="wanted?.heightMm ?? piece.sizeMm.z"
        :error="faults.heightMm"
        @change="(heightMm) => void size({ heightMm })" />
    </div>
    <p v-if="faults.pieceId" class="fault" role="alert">{{ faults.pieceId }}</p>
    <div v-if="found" class="found" role="status">
      <p v-if="!found.unfit.length">It fits every stretch.</p>
      <template v-else>
        <p>{{ counted(found.unfit.length, 'stretch', 'stretches') }} it no longer fits:</p>
        <ul tabindex="0" aria-label="Stretches it no longer fits">
          <li v-for="u in found.unfit" :key="`${u.run} ${u.atMm} ${u.heightMm}`">
            {{ u.run }}: <span class="figures">{{ site.show(u.lengthMm) }}</span> from <span class="figures">{{ site.show(u.atMm) }}</span>
          </li>
        </ul>
        <p>
          Added:
          <span class="figures">{{ found.added.map((a) => `${site.show(a.lengthMm)} × ${site.show(a.heightMm)}`).join(', ') }}</span>
        </p>
      </template>
      <p class="soft">
        {{ found.kindsNow }} → {{ counted(found.kinds, 'kind') }}, {{ found.placementsNow }} → {{ counted(found.placements, 'piece')
        }}<template v-if="found.does.lost">, {{ found.does.lost }} of your changes left without a place</template>.
      </p>
      <span class="row">
        <Button size="small" type="primary" @click="take">Change it everywhere</Button>
        <Button size="small" @click="forget">Keep it as it is</Button>
      </span>
    </div>
  </div>
</template>

<style scoped>
.size {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.found {
  font-size: var(--small);
}
.found p {
  margin: 0 0 4px;
}
.found ul {
  margin: 0 0 4px;
  padding-left: 18px;
  max-height: 110px;
  overflow-y: auto;
}
</style>
