<script setup lang="ts">
import { computed } from 'vue';
import AcidTool from '../parts/bench/AcidTool.vue';
import AlcoholTool from '../parts/bench/AlcoholTool.vue';
import AttemperTool from '../parts/bench/AttemperTool.vue';
import BlendTool from '../parts/bench/BlendTool.vue';
import FiningsTool from '../parts/bench/FiningsTool.vue';
import HeatTool from '../parts/bench/HeatTool.vue';
import PhTool from '../parts/bench/PhTool.vue';
import KegTool from '../parts/bench/KegTool.vue';
import PrimingTool from '../parts/bench/PrimingTool.vue';
import ReadingTool from '../parts/bench/ReadingTool.vue';
import SanitizerTool from '../parts/bench/SanitizerTool.vue';
import SorbateTool from '../parts/bench/SorbateTool.vue';
import SulfiteTool from '../parts/bench/SulfiteTool.vue';
import SweetenTool from '../parts/bench/SweetenTool.vue';
import ThinMeadTool from '../parts/bench/ThinMeadTool.vue';
import ThinTool from '../parts/bench/ThinTool.vue';
import UnitsTool from '../parts/bench/UnitsTool.vue';
import VesselTool from '../parts/bench/VesselTool.vue';

const props = defineProps<{ tool?: string }>();
const TOOLS = [
  { id: 'reading', name: 'A reading', asks: 'What does the hydrometer really say?', tool: ReadingTool },
  { id: 'alcohol', name: 'Alcohol', asks: 'How strong is it, from two gravities?', tool: AlcoholTool },
  { id: 'thin', name: 'Thin or thicken', asks: 'How much water, or how much honey?', tool: ThinTool },
  { id: 'blend', name: 'Blend two', asks: 'What do two meads make together?', tool: BlendTool },
  { id: 'vessel', name: 'Vessel', asks: 'How full is it, and how high does it stand?', tool: VesselTool },
  { id: 'attemper', name: 'Attemper yeast', asks: 'How does the yeast get from its warm water into the must?', tool: AttemperTool },
  { id: 'ph', name: 'Raise the pH', asks: 'How much potassium carbonate or bicarbonate?', tool: PhTool },
  { id: 'thin-mead', name: 'Thin a mead', asks: 'How much water, for less alcohol?', tool: ThinMeadTool },
  { id: 'sulfite', name: 'Sulfite', asks: 'How much sulfite, by the pH?', tool: SulfiteTool },
  { id: 'sorbate', name: 'Sorbate', asks: 'How much sorbate, by the alcohol?', tool: SorbateTool },
  { id: 'heat', name: 'Heat', asks: 'How long in the bath, and how long held?', tool: HeatTool },
  { id: 'finings', name: 'Finings', asks: 'How much of which fining?', tool: FiningsTool },
  { id: 'sweeten', name: 'Sweeten', asks: 'How much honey at the end, of one or two?', tool: SweetenTool },
  { id: 'acid', name: 'Acid', asks: 'How much acid, or what takes it away?', tool: AcidTool },
  { id: 'priming', name: 'Priming', asks: 'How much sugar for how much gas, and what if it slips?', tool: PrimingTool },
  { id: 'keg', name: 'Keg', asks: 'What is the regulator set to?', tool: KegTool },
  { id: 'sanitizer', name: 'Sanitizer', asks: 'How much concentrate for the bucket at hand?', tool: SanitizerTool },
  { id: 'units', name: 'Units', asks: 'What is that in my units?', tool: UnitsTool },
];
const here = computed(() => TOOLS.find(({ id }) => id === props.tool) ?? TOOLS[0]);
</script>

<template>
  <section class="bench">
    <nav aria-label="Tools of the bench" class="no-print">
      <h1>Bench</h1>
      <RouterLink :to="{ name: 'new' }">A must of anything</RouterLink>
      <RouterLink
        v-for="each in TOOLS"
        :key="each.id"
        :to="{ name: 'bench', params: { tool: each.id } }"
        :class="{ here: each.id === here?.id }"
        :aria-current="each.id === here?.id ? 'page' : undefined"
        >{{ each.name }}</RouterLink
      >
      <p class="small quiet">Nothing here is written down. The address holds what you typed: keep it, or send it.</p>
    </nav>
    <div v-if="here !== undefined" class="place">
      <h2 class="asks">{{ here.asks }}</h2>
      <component :is="here.tool" :key="here.id" />
    </div>
  </section>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: 190px minmax(0, 720px);
  gap: 40px;
  padding-top: 14px;
}

nav {
  display: grid;
  align-content: start;
}

nav h1 {
  padding-bottom: 8px;
}

nav a {
  min-height: 38px;
  padding: 8px 0 8px 12px;
  border-left: 3px solid var(--rule);
  color: var(--soot-2);
  text-decoration: none;
}

nav a.here {
  border-color: var(--bronze);
  color: var(--soot);
  font-weight: 700;
}

nav p {
  padding-top: 16px;
}

.asks {
  padding: 6px 0 14px;
  font-size: 21px;
}

.place :deep(.tool) {
  display: grid;
  gap: 12px;
}

.place :deep(.given) {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 170px));
  gap: 8px 24px;
}

@media (max-width: 720px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }

  nav {
    display: flex;
    gap: 4px 14px;
    overflow-x: auto;
  }

  nav h1,
  nav p {
    display: none;
  }

  nav a {
    min-height: 44px;
    padding: 10px 4px;
    border-left: 0;
    border-bottom: 3px solid var(--rule);
    white-space: nowrap;
  }
}
</style>
