<script setup lang="ts">
import { usePractice } from '../stores/practice.ts';
import { misfitOf, mustPlanShape } from '@hollow-bell/contract';
import { useRoute, useRouter } from 'vue-router';
import { hold, planOf, plannedHoney } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { onMounted, ref } from 'vue';
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

async function save(name: string, must: MustPlan): Promise<void> {
  await kept.write({ what: 'new batch', id, name, plan: { must, practice: house.practice } });
  await router.replace({ name: 'station', params: { id, station: 'pitch' } });
}
</script>

<template>
  <div class="with-rail">
    <BatchRail :batch-id="id" :states="null" here="formulate" is-new />
    <MustPlanner v-if="initial !== null" :initial="initial" name="" deed="Save as a batch" draft-of="new" :save="save" />
  </div>
</template>
