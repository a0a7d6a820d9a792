import { isKeyed, type Animated } from '../../timing';

/** The greatest value something reaches at a key. */
export const greatest = (value: Animated): number =>
  isKeyed(value) ? Math.max(...value.keys.map((key) => key.value)) : value;
