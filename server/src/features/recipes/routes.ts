/* The recipe book: plans kept without a batch. */
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { HttpProblem } from '../../http/errors.ts';
import { served } from '../../http/served.ts';
import type { RecipeStore } from './store.ts';

export const recipeRoutes =
  (store: RecipeStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({ ...served('recipes'), handler: async () => ({ recipes: await store.list() }) });
    app.route({
      ...served('putRecipe'),
      handler: ({ params, body: { recipe, afterVersion } }) => {
        if (recipe.id !== params.id) throw new HttpProblem(400, 'bad_input', 'The address and the recipe name different recipes.');
        return store.put(recipe, afterVersion);
      },
    });
    app.route({
      ...served('removeRecipe'),
      handler: async ({ params }) => {
        await store.remove(params.id);
        return { removed: true };
      },
    });
  };
