'use client';
import {
  canCarry,
  newRider,
  riderSchema,
  setRider,
  updateParts,
  type Part,
  type Rider,
} from '@/core/document';
import { Button, Fold, Hint } from '@/ui';
import { OwnersOf, SchemaForm, ReferenceChoice, useSizeOfPicture } from '../../properties';
import { edit, useCalm } from '../../state';

/** What layers and groups ride on: a stroke, by its head, its tail or a point of it. */
export function RiderGroup({ ids, parts }: { ids: readonly string[]; parts: readonly Part[] }) {
  const piece = useCalm((s) => s.piece);
  const size = useSizeOfPicture();
  const rider = parts[0]?.place?.rider;
  const none = [...piece.layers, ...piece.groups].filter(
    ({ id }) => !ids.every((own) => canCarry(piece, id, own)),
  );
  const without = none.map(({ id }) => id);
  const give = (to: Rider | null) => edit((p) => ids.reduce((result, id) => setRider(result, id, to), p));
  return (
    <Fold title="Rider" {...(rider && { fact: rider.at })} open={rider !== undefined}>
      {rider ? (
        <OwnersOf ids={ids}>
          <SchemaForm
            schema={riderSchema}
            value={rider}
            part="place.rider"
            ids={without}
            change={(to) =>
              edit((p) =>
                updateParts(p, ids, (part) =>
                  part.place?.rider
                    ? { ...part, place: { ...part.place, rider: to(part.place.rider) as Rider } }
                    : part,
                ),
              )
            }
          />
          <Button $wide onPress={() => give(null)}>
            Detach
          </Button>
          <Hint>Its pivot lies on the stroke; position moves it off there.</Hint>
        </OwnersOf>
      ) : (
        <>
          <ReferenceChoice
            name="Rides on"
            of="stroke or group"
            value={undefined}
            without={without}
            isOptional={false}
            onChange={(id) => id !== undefined && give(newRider(id, size))}
          />
          <Hint>A pen, a bird, a ship: carried along a stroke by its pivot while it is written.</Hint>
        </>
      )}
    </Fold>
  );
}
