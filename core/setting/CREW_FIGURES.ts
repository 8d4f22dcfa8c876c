/** The crew's figures beside their lives, each with what is believed before a record. */
export const CREW_FIGURES = ['rate', 'waste', 'soakDepth', 'skinShare'] as const;
export type CrewFigureName = (typeof CREW_FIGURES)[number];
