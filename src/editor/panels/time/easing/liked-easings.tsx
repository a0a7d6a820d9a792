'use client';
import styled from 'styled-components';
import { Star } from 'lucide-react';
import { sameValue } from '@/core/document';
import { clamp } from '@/core/numbers';
import { ease, type Easing } from '@/core/timing';
import { IconToggle, Row } from '@/ui';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../../../shelf';
import { easingName } from './easing-kinds';

const Favourites = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 6px;
  button {
    padding: 0;
    border: 1px solid var(--rule);
    border-radius: 6px;
    background: var(--desk);
  }
  button[aria-pressed='true'] {
    border-color: var(--head);
  }
  svg {
    display: block;
    width: 40px;
    height: 28px;
  }
`;

/** Easings that are liked, as small pictures: one press gives the selected keys one of them. */
export function LikedEasings({ easing, put }: { easing: Easing | null; put: (easing: Easing) => void }) {
  const liked = useShelfItems('easing');
  const kept = easing && liked.find((item) => sameValue(item.content, easing));
  const like = () => {
    if (!easing) return;
    const same = liked.filter((item) => item.name.startsWith(easingName(easing))).length;
    void keepOnShelf({
      kind: 'easing',
      name: `${easingName(easing)}${same ? ` ${same + 1}` : ''}`,
      content: easing,
    });
  };
  return (
    <Row style={{ alignItems: 'flex-start' }}>
      <Favourites>
        {liked.map((item) => (
          <button
            key={item.id}
            type="button"
            title={item.name}
            aria-label={`Easing ${item.name}`}
            aria-pressed={kept?.id === item.id}
            onClick={() => put(item.content)}
          >
            <svg viewBox="0 0 40 28" aria-hidden>
              <path
                d={`M${Array.from({ length: 31 }, (_, i) => `${(5 + i).toFixed(1)} ${(22 - clamp(ease(item.content, i / 30), -0.3, 1.3) * 16).toFixed(1)}`).join('L')}`}
                fill="none"
                stroke="var(--head)"
                strokeWidth={1.5}
              />
            </svg>
          </button>
        ))}
        {liked.length === 0 && <span style={{ color: 'var(--quiet)' }}>No favourites yet</span>}
      </Favourites>
      <IconToggle
        plain
        label={kept ? `Remove ${kept.name} from the shelf` : 'Keep this easing on the shelf'}
        isSelected={Boolean(kept)}
        onChange={() => (kept ? void takeOffShelf(kept.id) : like())}
      >
        <Star />
      </IconToggle>
    </Row>
  );
}
