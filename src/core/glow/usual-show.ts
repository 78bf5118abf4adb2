import type { Plan, Show } from '../plan/plan'

/** What a plan plays that has no show of its own yet: a warm white that stays. */
export const usualShow: Show = {
  id: 'steady',
  name: 'Steady warm white',
  seed: 1,
  scenes: [
    {
      id: 'scene-1',
      name: 'Evening',
      seconds: 10,
      fade: 0,
      layers: [
        {
          id: 'layer-1',
          pattern: 'steady',
          on: 'all',
          axis: 'joined',
          blend: 'add',
          opacity: 1,
          set: { colour: '2700 K' },
        },
      ],
    },
  ],
}

/** The shows of a plan; one at least. */
export const showsOf = ({ shows }: Pick<Plan, 'shows'>): readonly Show[] =>
  shows.length > 0 ? shows : [usualShow]
