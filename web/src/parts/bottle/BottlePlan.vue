<script setup lang="ts">
import { crateTold } from '@hollow-bell/core/bottle';
import { GAS_STYLES } from '@hollow-bell/core/carbonate';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBottling } from '../../composables/useBottling.ts';
import { useReader } from '../../composables/useReader.ts';
import SentenceText from '../figures/SentenceText.vue';
import StopNote from '../figures/StopNote.vue';
import BottleDay from './BottleDay.vue';
import BottleDeed from './BottleDeed.vue';
import BottleFields from './BottleFields.vue';
import CrateStage from './CrateStage.vue';
import GasPanel from './GasPanel.vue';

/** The question that its maker said yes to; null where none was asked. */
const props = defineProps<{ word: string | null }>();
const emit = defineEmits<{ keg: [] }>();
const { show, tell } = useReader();
const { blocked } = useAttempt();
const { isSparkling, volumes, style, sugar, where, sweet, dead, prime, crate, refused } = useBottling(() => props.word);
const cannotSparkle = computed(() => (isSparkling.value ? (sweet.value ?? dead.value) : null));
const total = computed(() => crate.value?.bottles ?? 0);
</script>

<template>
  <div class="plan" data-test="bottle-plan">
    <BottleFields />
    <div class="ways switches" role="group" aria-label="Still or sparkling">
      <button type="button" :aria-pressed="!isSparkling" @click="isSparkling = false">Still</button>
      <button type="button" :aria-pressed="isSparkling" @click="isSparkling = true">Sparkling</button>
      <button type="button" :aria-pressed="false" @click="emit('keg')">In a keg</button>
      <span v-if="isSparkling" class="styles">
        <button
          v-for="each in GAS_STYLES.slice(1)"
          :key="each.id"
          type="button"
          :aria-pressed="style.id === each.id"
          @click="volumes = each.usual"
        >
          {{ each.name }} {{ show('volumes', each.usual) }}
        </button>
      </span>
    </div>

    <StopNote v-if="cannotSparkle !== null" data-test="no-gas"
      ><SentenceText :sentence="cannotSparkle" /> <button type="button" class="link" @click="emit('keg')">Plan the keg</button></StopNote
    >
    <template v-else>
      <p class="lead" data-test="crate">
        <template v-if="crate !== null"><SentenceText :sentence="crateTold(crate)" /></template>
        <span v-if="refused !== null" class="refusal">{{ tell(refused) }}</span>
        <span v-if="crate !== null && crate.shortL > 0" class="refusal">
          More bottles than mead: {{ show('volumeL', crate.shortL) }} short.</span
        >
      </p>
      <div class="stage">
        <CrateStage />
        <GasPanel />
      </div>
      <p class="small quiet">
        Filled: <b data-test="filled">{{ show('volumeL', crate?.filledL ?? 0) }}</b>, over:
        <b>{{ show('volumeL', (crate?.overMl ?? 0) / 1000) }}</b>
      </p>
      <BottleDay v-if="crate !== null && total > 0" :crate="crate" :prime="prime" :sugar="sugar" :where="where" :volumes="volumes" />
      <BottleDeed :is-blocked="blocked" />
    </template>
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 10px;
}

.styles {
  display: contents;
}

.ways {
  border-bottom: 1px solid var(--rule);
}

.lead {
  font-size: 18px;
}

.stage {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px 26px;
  align-items: start;
}

@media (max-width: 720px) {
  .stage {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
