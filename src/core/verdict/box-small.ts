import { boxesOf } from '../buy/boxes'
import { fewNames } from '../quantity/few-names'
import type { Judge, Verdict } from './verdict'

/** A box with no room for all that is to hide in it, with air around what gets warm. */
export const boxSmall: Judge = (given) =>
  boxesOf(given).flatMap(({ box, lacking, fitting }): Verdict[] => {
    if (lacking.length === 0) return []
    const { boxes = [] } = given.plan.buy
    return [
      {
        id: `box-small.${box.id}`,
        code: 'box-small',
        grade: 'warning',
        about: box.holds.filter((id) => id !== 'board'),
        text: `${box.name}: no room for ${fewNames(lacking.map(({ name }) => name))}, with air around what gets warm`,
        why: 'A supply without air around it runs hot, gives less and ages early; wires that are pressed in break at their joints.',
        remedies:
          fitting === undefined
            ? []
            : [
                {
                  label: `take the ${fitting.name}`,
                  commands: [
                    {
                      do: 'set-buy',
                      buy: {
                        boxes: boxes.map((one) =>
                          one.id === box.id
                            ? {
                                ...one,
                                lengthMm: fitting.lengthMm,
                                widthMm: fitting.widthMm,
                                tallMm: fitting.tallMm,
                              }
                            : one,
                        ),
                      },
                    },
                  ],
                },
              ],
      },
    ]
  })
