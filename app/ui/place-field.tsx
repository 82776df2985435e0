import { useState } from 'react';
import { type PlaceChoice, placeChoices, placeChosen, PLACES_STANDING } from '@core/climate/places';
import { FoundField } from './field';
import { useUnits } from './format';

/** A climate chosen by typing a place or a position; what is typed here leaves the browser for nowhere. */
export function PlaceField({
  label = 'Place',
  unit = 'name, state, or a position: 40.1, -83.0, 900 ft',
  fault,
  origin,
  onChoose,
}: {
  label?: string;
  unit?: string;
  fault?: string;
  /** Longitude and latitude of the property, where they are known: the places nearest to it are offered before anything is typed. */
  origin?: readonly [number, number];
  onChoose: (choice: PlaceChoice) => void;
}) {
  const units = useUnits();
  const [chosen, setChosen] = useState<PlaceChoice>();
  return (
    <div className="place">
      <FoundField
        label={label}
        unit={unit}
        placeholder="Type where the lawn is"
        fault={fault}
        chosen={chosen}
        find={(typed) => {
          const found = placeChoices(typed === '' && origin ? `${origin[1]}, ${origin[0]}` : typed);
          return 'refused' in found
            ? found.refused
            : found.map((each) => ({ ...each, beside: each.beside && units.said(each.beside) }));
        }}
        onChange={(id) => {
          const choice = placeChosen(id);
          if (!choice) return;
          setChosen(choice);
          onChoose(choice);
        }}
      />
      <p className="small">
        {chosen?.beside && `${units.said(chosen.beside)}. `}Normals of 84 places, {PLACES_STANDING}.
      </p>
    </div>
  );
}
