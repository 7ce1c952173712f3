<script setup lang="ts">
import { usePractice } from '../stores/practice.ts';
import { misfitOf, mustPlanShape } from '@hollow-bell/contract';
import { useRoute, useRouter } from 'vue-router';
import { hold, planOf, plannedHoney } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { fold } from '@hollow-bell/core/record';
import { onMounted, ref } from 'vue';
import { api } from '../api/client.ts';
import BatchRail from '../parts/log/BatchRail.vue';
import MustPlanner from '../parts/must/MustPlanner.vue';
import { lineOfLot } from '../parts/must/lines.ts';
import { useKept } from '../stores/kept.ts';
import { useShelf } from '../stores/shelf.ts';

const house = usePractice();
const shelf = useShelf();
const kept = useKept();
const router = useRouter();
const id = crypto.randomUUID();
const route = useRoute();

/** A plan carried here from the Bench, or a middling one to begin with. */
function begin(): MustPlan {
  const carried = parsed(String(route.query['plan'] ?? ''));
  if (misfitOf(mustPlanShape, carried) === null) return carried as MustPlan;
  const [largest] = shelf.standing
    .flatMap(({ item, takenG }) =>
      item.detail.kind === 'ingredient' && item.detail.family === 'honey' ? [{ item, leftG: item.stockG - takenG }] : [],
    )
    .sort((a, b) => b.leftG - a.leftG);
  const honey = largest === undefined ? plannedHoney('wildflower', 1400) : lineOfLot(largest.item, 1400);
  const started = planOf([honey ?? plannedHoney('wildflower', 1400)], 4, { roomTempC: house.practice.roomTempC });
  return hold(hold(started, 'volumeL', 5), 'og', 1.095);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const initial = ref<MustPlan | null>(null);
onMounted(async () => {
  await shelf.load();
  initial.value = begin();
});

/** What it is made again from, and what was noted for that. */
const from = {
  ...(isId(route.query['batchId']) ? { batchId: route.query['batchId'] } : {}),
  ...(isId(route.query['recipeId']) ? { recipeId: route.query['recipeId'] } : {}),
};
function isId(value: unknown): value is string {
  return typeof value === 'string' && /^[0-9a-f-]{36}$/i.test(value);
}
const before = ref<{ name: string; notes: string[] } | null>(null);
onMounted(async () => {
  if (from.batchId === undefined) return;
  const batch = await api.batch(from.batchId).catch(() => null);
  if (batch !== null) before.value = { name: batch.name, notes: fold(batch.events).history.nextTime.map(({ text }) => text) };
});

async function save(name: string, must: MustPlan): Promise<void> {
  const madeFrom = Object.keys(from).length === 0 ? {} : { madeFrom: from };
  await kept.write({ what: 'new batch', id, name, plan: { must, practice: house.practice, ...madeFrom } });
  await router.replace({ name: 'station', params: { id, station: 'pitch' } });
}
</script>

<template>
  <div class="with-rail">
    <BatchRail :batch-id="id" :states="null" here="formulate" is-new />
    <div>
      <aside v-if="before !== null" class="before" data-test="next-time">
        <p>
          Made again from <b>{{ before.name }}</b>{{ before.notes.length > 0 ? '. Next time:' : '.' }}
        </p>
        <ul>
          <li v-for="text in before.notes" :key="text">{{ text }}</li>
        </ul>
      </aside>
      <MustPlanner
        v-if="initial !== null"
        :initial="initial"
        name=""
        deed="Save as a batch"
        :draft-of="from.batchId ?? from.recipeId ?? 'new'"
        :save="save"
      />
    </div>
  </div>
</template>

<style scoped>
.before {
  margin-bottom: 8px;
  padding: 6px 0 6px 12px;
  border-left: 3px solid var(--bronze);
}

.before li::before {
  content: '• ';
  color: var(--bronze);
}
</style>
