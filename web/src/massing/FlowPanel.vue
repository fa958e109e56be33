<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useFlow } from './flow'

const site = useSite()
const table = useTable()
const flow = useFlow()
/** More than this is told as such. */
const WIDE_MM = 3000
const name = (id: number) => site.massing.rooms.find((r) => r.id === id)?.name ?? ''
const size = (mm: number) => (mm >= WIDE_MM ? `${site.show(WIDE_MM)} or more` : site.show(mm))
const reached = computed(() => [...(flow.value?.reached ?? [])].sort((a, b) => a.widthMm - b.widthMm))
const go = (id: number) => {
  const room = site.massing.rooms.find((r) => r.id === id)
  if (!room) return
  table.chosenLevel = room.levelId
  table.choose({ room: id })
}
</script>

<template>
  <section aria-label="Flow">
    <div class="row spread">
      <h3>Flow</h3>
      <Button size="small" :aria-pressed="table.flow" @click="table.flow = !table.flow">{{ table.flow ? 'Hide the flow' : 'From the Figure' }}</Button>
    </div>
    <p v-if="!table.flow" class="soft">Which rooms one reaches from where the Figure stands, and how narrow the way is.</p>
    <p v-else-if="flow && !flow.from" class="remark" role="status">▲ Nobody can stand there. Drag the Figure into a room.</p>
    <template v-else-if="flow">
      <table>
        <thead>
          <tr>
            <th scope="col">reached</th>
            <th scope="col">narrowest</th>
            <th scope="col">headroom</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in reached" :key="r.roomId" data-testid="reached">
            <td>
              <button type="button" class="plain" @click="go(r.roomId)">{{ name(r.roomId) }}</button><span v-if="r.deadEnd" class="soft"> dead end</span>
            </td>
            <td class="figures" :class="{ narrow: r.narrow }">{{ r.narrow ? '▲ ' : '' }}{{ size(r.widthMm) }}</td>
            <td class="figures">{{ size(r.headroomMm) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="flow.unreached.length" class="fault" data-testid="unreached">
        ■ Not reached:
        <template v-for="(id, i) in flow.unreached" :key="id"
          >{{ i ? ', ' : '' }}<button type="button" class="plain" @click="go(id)">{{ name(id) }}</button></template
        >
      </p>
      <p v-else class="soft">Every room is reached.</p>
    </template>
  </section>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--soft-ink);
}
td,
th {
  padding: 2px 6px 2px 0;
}
.narrow {
  color: var(--dark-ochre);
}
</style>
