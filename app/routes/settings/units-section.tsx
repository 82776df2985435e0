import { Segmented } from 'antd';
import { LOCALES, type UnitsSetting } from '@core/records/settings-schema';
import { ChoiceField } from '../../ui/field';
import { Units, US_UNITS } from '../../ui/format';

/** Every locale by the name it has in English, with how it writes a number. */
const localeOptions = LOCALES.map((locale) => {
  const [language = '', region = ''] = locale.split('-');
  const named = (type: 'language' | 'region', code: string) =>
    new Intl.DisplayNames(['en-US'], { type }).of(code) ?? code;
  const written = new Units({ ...US_UNITS, locale }).number(1250.5, 1);
  return { value: locale, label: `${named('language', language)}, ${named('region', region)}: ${written}` };
});

interface UnitsSectionProps {
  units: UnitsSetting | undefined;
  onSave: (setting: UnitsSetting) => void;
}

/** US units or SI, which SI unit nutrient rates take, and how numbers are written; below it what that looks like. */
export function UnitsSection({ units = US_UNITS, onSave }: UnitsSectionProps) {
  const shown = new Units(units);
  const examples: [string, string][] = [
    ['Nutrient rate', shown.say('nutrient-rate', 0.75, 'N')],
    ['Product or lime', shown.say('product-rate', 12.5, 'product')],
    ['Weigh-out', shown.say('weight', 46.2, 'product')],
    ['Area', shown.say('area', 5400)],
    ['Length', shown.say('length', 32.5)],
    ['Depth', shown.said('4 in')],
    ['Temperature', shown.say('temperature', 68)],
    ['Liquid', shown.say('liquid-rate', 5.5, 'product')],
  ];
  return (
    <div className="unitschoice">
      <div>
        <Segmented<UnitsSetting['system']>
          aria-label="Units"
          value={units.system}
          options={[
            { value: 'us', label: 'US units' },
            { value: 'si', label: 'SI' },
          ]}
          onChange={(system) => onSave({ ...units, system })}
        />
        {units.system === 'si' && (
          <ChoiceField
            label="Nutrient rates in"
            value={units.nutrientRate}
            options={[
              { value: 'g/m2', label: 'g per m²' },
              { value: 'kg/ha', label: 'kg per ha' },
            ]}
            onChange={(nutrientRate) => onSave({ ...units, nutrientRate })}
          />
        )}
        <ChoiceField
          label="Numbers written as in"
          value={units.locale}
          options={localeOptions}
          onChange={(locale) => onSave({ ...units, locale })}
        />
        <p className="small">
          Type either unit anywhere: 12 kg, 3 in, 1/2 in, 3&apos; 6&quot;. Without a unit the chosen one is meant.
          Labels stay as they are printed; files, backups and the command line stay in US units, tables say theirs. The
          words stay English.
        </p>
      </div>
      <dl aria-label="How it looks">
        {examples.map(([name, says]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
