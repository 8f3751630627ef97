import { clampTo, quantities } from '../controls/quantity';

const BEND = 0.62;

/** Place of a level on the fader: −1 bottom … 1 top. Stops near 0 get more room. */
export function toPlace(stops: number): number {
  return Math.sign(stops) * Math.pow(Math.abs(stops) / 10, BEND);
}

/** Level at a place of the fader. */
export function toStops(place: number): number {
  return clampTo(Math.sign(place) * 10 * Math.pow(Math.abs(place), 1 / BEND), quantities.stops);
}

/** The nearest third of a stop. */
export function detent(stops: number): number {
  return clampTo(Math.round(stops * 3) / 3, quantities.stops);
}
