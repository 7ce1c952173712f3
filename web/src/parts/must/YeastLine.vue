<script setup lang="ts">
import { YEAST_TYPES, yeastToPitchG } from '@hollow-bell/core/yeast';
import { computed } from 'vue';
import type { MustDraft } from '../../composables/useMustDraft.ts';
import { useReader } from '../../composables/useReader.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';

const props = defineProps<{ draft: MustDraft }>();
const shelf = useShelf();
const { show } = useReader();
const plan = computed(() => props.draft.plan.value);

/** Types first, then packets of the shelf with their own figures. */
const yeastOptions = computed(() => [
  ...shelf.yeasts.map(({ item }) => ({ value: item.id, label: `${item.name}, ${show('massG', shelf.leftG.get(item.id) ?? 0)} left` })),
  ...YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name })),
]);
/** A packet that has left the shelf is shown by its type. */
const yeastChosen = computed(() => shelf.yeasts.find(({ item }) => item.id === plan.value.yeastLotId)?.item.id ?? plan.value.yeastId);
function pickYeast(value: string): void {
  const packet = shelf.yeasts.find(({ item }) => item.id === value);
  props.draft.change(
    packet === undefined
      ? { yeastId: value, own: undefined, yeastLotId: undefined }
      : { yeastId: packet.detail.typeId, own: { ...packet.detail.own, name: packet.item.name }, yeastLotId: packet.item.id },
  );
}
const yeastG = computed(() => yeastToPitchG(props.draft.figures.value.volumeL.value, props.draft.figures.value.og.value));
</script>

<template>
  <li class="line">
    <i class="swatch yeast" aria-hidden="true" />
    <PickList :model-value="yeastChosen" label="Yeast" hide-label :options="yeastOptions" @update:model-value="pickYeast" />
    <b class="grams">{{ show('massG', yeastG) }}</b>
  </li>
</template>

<style scoped src="./MustPlanner.css"></style>
