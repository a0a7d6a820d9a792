'use client';
import dynamic from 'next/dynamic';
import type { Moment } from './over-time';

const Room = () => <div style={{ height: 84 }} />;

/** The chart is fetched when the first one is shown: it weighs as much as a quarter of the editor. */
const OverTime = dynamic(() => import('./over-time'), { ssr: false, loading: Room });

export type { Moment };
export { OverTime };
