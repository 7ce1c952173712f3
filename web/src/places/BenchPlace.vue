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
import { toolNamed } from '../placeNames.ts';

const props = defineProps<{ tool?: string }>();
const TOOLS = [
  { id: 'reading', asks: 'What does the hydrometer really say?', tool: ReadingTool },
  { id: 'alcohol', asks: 'How strong is it, from two gravities?', tool: AlcoholTool },
  { id: 'thin', asks: 'How much water, or how much honey?', tool: ThinTool },
  { id: 'blend', asks: 'What do two meads make together?', tool: BlendTool },
  { id: 'vessel', asks: 'How full is it, and how high does it stand?', tool: VesselTool },
  { id: 'attemper', asks: 'How does the yeast get from its warm water into the must?', tool: AttemperTool },
  { id: 'ph', asks: 'How much potassium carbonate or bicarbonate?', tool: PhTool },
  { id: 'thin-mead', asks: 'How much water, for less alcohol?', tool: ThinMeadTool },
  { id: 'sulfite', asks: 'How much sulfite, by the pH?', tool: SulfiteTool },
  { id: 'sorbate', asks: 'How much sorbate, by the alcohol?', tool: SorbateTool },
  { id: 'heat', asks: 'How long in the bath, and how long held?', tool: HeatTool },
  { id: 'finings', asks: 'How much of which fining?', tool: FiningsTool },
  { id: 'sweeten', asks: 'How much honey at the end, of one or two?', tool: SweetenTool },
  { id: 'acid', asks: 'How much acid, or what takes it away?', tool: AcidTool },
  { id: 'priming', asks: 'How much sugar for how much gas, and what if it slips?', tool: PrimingTool },
  { id: 'keg', asks: 'What is the regulator set to?', tool: KegTool },
  { id: 'sanitizer', asks: 'How much concentrate for the bucket at hand?', tool: SanitizerTool },
  { id: 'units', asks: 'What is that in my units?', tool: UnitsTool },
];
const here = computed(() => TOOLS.find(({ id }) => id === props.tool) ?? TOOLS[0]);
</script>

<template>
  <section class="bench">
    <nav aria-label="Tools of the bench" class="no-print">
      <p class="title">Bench</p>
      <RouterLink :to="{ name: 'new' }">A must of anything</RouterLink>
      <RouterLink
        v-for="each in TOOLS"
        :key="each.id"
        :to="{ name: 'bench', params: { tool: each.id } }"
        :class="{ here: each.id === here?.id }"
        :aria-current="each.id === here?.id ? 'page' : undefined"
        >{{ toolNamed(each.id) }}</RouterLink
      >
      <p class="small quiet">Nothing here is written down. The address holds what you typed: keep it, or send it.</p>
    </nav>
    <div v-if="here !== undefined" class="place">
      <h1 class="asks">{{ here.asks }}</h1>
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

.title {
  padding-bottom: 8px;
  font-size: 27px;
  font-weight: 720;
  line-height: 1.2;
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

nav p.quiet {
  padding-top: 16px;
}

.asks {
  padding: 6px 0 14px;
  font-size: 21px;
}

.place :deep(.tool) {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}

.place :deep(.given) {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(130px, 100%), 170px));
  gap: 8px 24px;
}

@media (max-width: 720px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }

  nav {
    display: flex;
    min-width: 0;
    gap: 4px 14px;
    overflow-x: auto;
  }

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
