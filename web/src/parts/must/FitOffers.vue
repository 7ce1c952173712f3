<script setup lang="ts">
import { fitOf, headspaceWantedPct, scalePlan } from '@hollow-bell/core/must';
import { yeastOf } from '@hollow-bell/core/yeast';
import { computed } from 'vue';
import type { MustDraft } from '../../composables/useMustDraft.ts';
import { useReader } from '../../composables/useReader.ts';
import { useShelf } from '../../stores/shelf.ts';

const props = defineProps<{ draft: MustDraft }>();
const { show } = useReader();
const shelf = useShelf();
/** Most foam is over by then (our estimate); the day can be changed beside the water. */
const FOAM_OVER_DAYS = 5;
const wantedPct = computed(() => headspaceWantedPct(props.draft.plan.value, yeastOf(props.draft.plan.value).foaming === 'much'));
const fit = computed(() => fitOf(props.draft.plan.value, props.draft.figures.value.fillL.value, wantedPct.value, shelf.vessels));
</script>

<template>
  <div v-if="draft.fill.value.headspacePct < wantedPct" class="fit">
    <el-button size="small" @click="draft.replace(scalePlan(draft.plan.value, fit.smaller.scale))"
      >Make {{ show('volumeL', fit.smaller.volumeL) }} instead</el-button
    >
    <el-button v-if="fit.vessel !== null" size="small" @click="draft.change({ vessel: fit.vessel })"
      >Take the {{ fit.vessel.name }}</el-button
    >
    <el-button
      v-if="fit.heldBack !== null"
      size="small"
      @click="draft.change({ heldBack: { waterL: fit.heldBack.waterL, days: FOAM_OVER_DAYS } })"
      >Hold {{ show('volumeL', fit.heldBack.waterL) }} of the water back</el-button
    >
    <p v-if="fit.heldBack !== null" class="small quiet">
      With so much water held back it starts at <b>{{ show('sg', fit.heldBack.og) }}</b>.
    </p>
  </div>
</template>

<style scoped>
.fit {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 6px 8px;
  max-width: 360px;
  text-align: center;
}

.fit .el-button + .el-button {
  margin-left: 0;
}
</style>
