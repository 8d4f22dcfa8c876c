export * from './constants';
export * from './evaporation';
export * from './skinTime';
export * from './redampInterval';
export * from './dewPoint';
export * from './irradiance';
export * from './surface';
export * from './presoak';
