<script setup lang="ts">
import { usePractice } from '../stores/practice.ts';
import { useRouter } from 'vue-router';
import { MEAN_HONEY } from '@hollow-bell/core/ledger';
import { solveMust } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { api } from '../api/client.ts';
import BatchRail from '../parts/BatchRail.vue';
import MustBench from '../parts/MustBench.vue';

const house = usePractice();
const router = useRouter();
const id = crypto.randomUUID();
const vessel = USUAL_VESSELS.find(({ name }) => name === '10 L bucket') ?? { kind: 'bucket' as const, name: 'bucket', capacityL: 10 };
const honey = { name: 'linden', massG: 1000, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable };
const { honeyG, waterL } = solveMust({ og: 1.095, volumeL: 5 }, [honey], 'allround');
const initial: MustPlan = {
  honeys: [{ ...honey, massG: honeyG }],
  waterL,
  yeastId: 'allround',
  vessel,
  roomTempC: house.practice.roomTempC,
};

async function save(name: string, must: MustPlan): Promise<void> {
  await api.createBatch(id, name, { must, practice: house.practice });
  await router.replace({ name: 'station', params: { id, station: 'pitch' } });
}
</script>

<template>
  <div class="with-rail">
    <BatchRail :batch-id="id" now="formulate" here="formulate" is-new />
    <MustBench :initial="initial" name="" deed="Save as a batch" :save="save" />
  </div>
</template>
