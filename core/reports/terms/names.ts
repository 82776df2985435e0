import { ANALYTE_TABLE, isMassAnalyte, onlyUnitOf } from '../../records/analytes';
import type { SoilResult } from '../../records/soil-test-schema';
import { type Analyte, ANALYTES, type Method } from '../../records/vocabularies';

/** What a report says beside its results. */
export const REPORT_FACTS = [
  'sample',
  'labNumber',
  'bag',
  'field',
  'property',
  'sampledOn',
  'receivedOn',
  'reportedOn',
  'depthIn',
  'basisDepthIn',
  'scoopGPerCm3',
  'lab',
  'analyte',
  'value',
  'qualifier',
  'unit',
  'method',
  'buffer-method',
  'P-method',
  'rating',
  'range',
  'grass',
  'texture',
  'areaSqFt',
  'carbonates',
] as const;
export type ReportFact = (typeof REPORT_FACTS)[number];

/** What only water or leaves are tested for. */
export const OTHER_ANALYTES = ['HCO3', 'CO3', 'Cl', 'N'] as const;
export type ReportAnalyte = Analyte | (typeof OTHER_ANALYTES)[number];
const OTHER_NAMES: Record<(typeof OTHER_ANALYTES)[number], string> = {
  HCO3: 'Bicarbonate',
  CO3: 'Carbonate',
  Cl: 'Chloride',
  N: 'Nitrogen',
};
const isOther = (analyte: ReportAnalyte): analyte is (typeof OTHER_ANALYTES)[number] => analyte in OTHER_NAMES;
/** Whether a soil is tested for it. */
export const isSoilAnalyte = (analyte: ReportAnalyte): analyte is Analyte => !isOther(analyte);
/** The name of an analyte of any report. */
export const reportAnalyteName = (analyte: ReportAnalyte): string =>
  isOther(analyte) ? OTHER_NAMES[analyte] : ANALYTE_TABLE[analyte].name;
/** Whether its number means nothing without a unit. */
export const isMass = (analyte: ReportAnalyte): boolean => isOther(analyte) || isMassAnalyte(analyte);
/** The one unit it comes in, if it does. */
export const onlyUnit = (analyte: ReportAnalyte): SoilResult['unit'] =>
  isOther(analyte) ? undefined : onlyUnitOf(analyte);

/** An analyte under a name that says more than which it is. */
export interface NamedAnalyte {
  analyte: ReportAnalyte;
  method?: Method;
  /** What the printed number is multiplied by: an oxide to its element, an index to its pH. */
  factor?: number;
  /** What was taken for granted, to be said. */
  says?: string;
}

/** An oxide holds this share of its element, by atomic weights. */
export const ELEMENT_IN_OXIDE = { P2O5: 0.4364, K2O: 0.8301, MgO: 0.603, CaO: 0.7147, Na2O: 0.7419 } as const;
/** Organic matter is taken for 1.724 times its carbon. Common practice (van Bemmelen). */
const OM_PER_CARBON = 1.724;
/** Sulfate is a third sulfur, nitrate 0.226 nitrogen, by atomic weights. */
const S_IN_SULFATE = 0.3338;
const N_IN_NITRATE = 0.2259;

/** Names of an analyte that carry a method or a factor; plain names stand in the table of analytes. */
const SPECIAL: Readonly<Record<string, NamedAnalyte>> = {
  'salt ph': { analyte: 'pH', method: 'cacl2' },
  phs: { analyte: 'pH', method: 'cacl2' },
  'ph s': { analyte: 'pH', method: 'cacl2' },
  'lime index': { analyte: 'buffer-pH', method: 'smp', factor: 0.1 },
  'lime test index': { analyte: 'buffer-pH', method: 'smp', factor: 0.1 },
  'buffer index': { analyte: 'buffer-pH', method: 'smp', factor: 0.1 },
  'smp index': { analyte: 'buffer-pH', method: 'smp', factor: 0.1 },
  'smp buffer index': { analyte: 'buffer-pH', method: 'smp', factor: 0.1 },
  p1: { analyte: 'P', method: 'bray-p1', says: 'P1 is the weak Bray extract' },
  'weak bray': { analyte: 'P', method: 'bray-p1' },
  'bicarb p': { analyte: 'P', method: 'olsen' },
  'bicarbonate p': { analyte: 'P', method: 'olsen' },
  'sodium bicarbonate p': { analyte: 'P', method: 'olsen' },
  pm3: { analyte: 'P', method: 'mehlich-3' },
  km3: { analyte: 'K', method: 'mehlich-3' },
  'organic carbon': { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  'total organic carbon': { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  toc: { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  corg: { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  'c org': { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  'carbone organique': { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  'carbono organico': { analyte: 'OM', factor: OM_PER_CARBON, says: 'organic carbon x 1.724' },
  so4: { analyte: 'S', factor: S_IN_SULFATE, says: 'sulfate, a third of it sulfur' },
  'sulfate so4': { analyte: 'S', factor: S_IN_SULFATE, says: 'sulfate, a third of it sulfur' },
  'nitrate no3': { analyte: 'NO3-N', factor: N_IN_NITRATE, says: 'nitrate, 0.226 of it nitrogen' },
  ece: { analyte: 'EC', method: 'saturated-paste' },
  'ec 1 1': { analyte: 'EC', method: 'water-1:1' },
  'ec 1 2': { analyte: 'EC', method: 'water-1:2' },
  'ec 1 5': { analyte: 'EC', method: 'water-1:5' },
  'ph 1 1': { analyte: 'pH', method: 'water-1:1' },
  'ph 1 2': { analyte: 'pH', method: 'water-1:2' },
  'cec sum': { analyte: 'CEC', method: 'sum' },
  'sum cec': { analyte: 'CEC', method: 'sum' },
  p2o5: { analyte: 'P', factor: ELEMENT_IN_OXIDE.P2O5, says: 'printed as P2O5, 0.436 of it P' },
  phosphate: { analyte: 'P', factor: ELEMENT_IN_OXIDE.P2O5, says: 'printed as P2O5, 0.436 of it P' },
  phosphat: { analyte: 'P', factor: ELEMENT_IN_OXIDE.P2O5, says: 'printed as P2O5, 0.436 of it P' },
  k2o: { analyte: 'K', factor: ELEMENT_IN_OXIDE.K2O, says: 'printed as K2O, 0.830 of it K' },
  potash: { analyte: 'K', factor: ELEMENT_IN_OXIDE.K2O, says: 'printed as K2O, 0.830 of it K' },
  mgo: { analyte: 'Mg', factor: ELEMENT_IN_OXIDE.MgO, says: 'printed as MgO, 0.603 of it Mg' },
  cao: { analyte: 'Ca', factor: ELEMENT_IN_OXIDE.CaO, says: 'printed as CaO, 0.715 of it Ca' },
  na2o: { analyte: 'Na', factor: ELEMENT_IN_OXIDE.Na2O, says: 'printed as Na2O, 0.742 of it Na' },
};
/** Names that are oxides: with lb an acre or kg a hectare they are as often advice as results. */
export const OXIDES: ReadonlySet<string> = new Set([
  'p2o5',
  'phosphate',
  'phosphat',
  'k2o',
  'potash',
  'mgo',
  'cao',
  'na2o',
]);

export const ANALYTE_NAMES: ReadonlyMap<string, NamedAnalyte> = new Map<string, NamedAnalyte>([
  ...ANALYTES.flatMap((analyte) =>
    [analyte.toLowerCase().replaceAll('-', ' '), ...ANALYTE_TABLE[analyte].headers].map(
      (name) => [name, { analyte }] as const,
    ),
  ),
  ...Object.entries(SPECIAL),
]);

const also = (list: Readonly<Record<string, ReportAnalyte>>): ReadonlyMap<string, NamedAnalyte> =>
  new Map<string, NamedAnalyte>([
    ...ANALYTE_NAMES,
    ...Object.entries(list).flatMap(([names, analyte]) => names.split(',').map((name) => [name, { analyte }] as const)),
  ]);
/** Names by what the report is of: carbonate of water is dissolved, and nitrogen of leaves is all of it. */
export const NAMES_OF: Readonly<Record<'soil' | 'water' | 'tissue', ReadonlyMap<string, NamedAnalyte>>> = {
  soil: ANALYTE_NAMES,
  water: also({
    'hco3,bicarbonate,bicarbonates,bikarbonat,bicarbonato,bicarbonatos,hydrogen carbonate': 'HCO3',
    'co3,carbonate,carbonates,karbonat,carbonato,carbonatos': 'CO3',
    'cl,chloride,chlorides,chlorid,chlorure,chlorures,cloruro,cloruros': 'Cl',
    'ecw,tds,total dissolved solids,dissolved solids': 'EC',
  }),
  tissue: also({ 'n,nitrogen,total n,total nitrogen,n total,stickstoff,azote,nitrogeno': 'N' }),
};

/** Measured by laboratories and not judged here: kept as words, with the reason. */
const KEPT: readonly [string, string][] = [
  ['p2,strong bray,bray p2,bray 2 p,bray 2', 'strong Bray phosphorus: not judged here'],
  ['ph kcl,kcl ph', 'pH in KCl: neither the water nor the CaCl2 scale'],
  [
    'woodruff,wdrf,wdrf buffer ph,wdrf buffer,woodruff buffer,buffer ph woodruff,woodruff buffer ph',
    'Woodruff buffer: no lime equation for it here',
  ],
  [
    'enr,estimated nitrogen release,est n release',
    'estimated nitrogen release: the year’s nitrogen goes by organic matter here',
  ],
  ['nh4 n,ammonium n,ammonium,ammoniacal n,ammonium nitrogen,nh4', 'ammonium nitrogen: passes within weeks'],
  [
    'total n,total nitrogen,n total,nitrogen,n,stickstoff,azote,nitrogeno',
    'nitrogen of a soil: the year’s nitrogen goes by grass and organic matter',
  ],
  ['h,hydrogen,h sat,bs h,base saturation h,exch h %', 'hydrogen: follows from pH and CEC'],
  [
    'base saturation,total base saturation,sum of bases,total bases,bases,other bases,basensattigung,saturation en bases,saturacion de bases',
    'bases together: each is read by itself',
  ],
  [
    'ca mg,ca mg ratio,ca:mg,k mg,k mg ratio,mg k,ca k,c n,c n ratio,cn ratio,ratio',
    'a ratio: shown by the laboratory, reckoned here where it is wanted',
  ],
  [
    'sand,silt,clay,% sand,% silt,% clay,sand %,silt %,clay %,schluff,ton,sable,limon,argile,arena,limo,arcilla',
    'part of the texture',
  ],
  [
    'mo,molybdenum,cl,chloride,chlorid,co,cobalt,se,selenium,si,silicon,ni,nickel,pb,lead,cd,cadmium,as,arsenic,cr,chromium',
    'not judged in turf here',
  ],
  ['lbc,lime buffer capacity', 'lime buffer capacity: no lime equation for it here'],
  [
    'lime requirement index,acidification potential,total carbon,c total,moisture,dry matter,bulk density',
    'not judged here',
  ],
  [
    'client no,account,account no,account number,customer no,invoice,order no,purchase order,report no,report number,page,analyst,approved,phone,fax,county,state,zip,address,email,submitted by,crop,previous crop,kultur,culture,cultivo',
    'about the order',
  ],
];
export const KEPT_NAMES: ReadonlyMap<string, string> = new Map(
  KEPT.flatMap(([names, why]) => names.split(',').map((name) => [name, why] as const)),
);

const FACTS: readonly [ReportFact, string][] = [
  [
    'sample',
    'sample,sample id,cust samp id,customer sample id,cust sample id,samp id,samp no,sampleid,sample no,sample number,sample name,sample code,sample identification,sample description,id,identification,specimen,your reference,reference,ref,' +
      'probe,probe nr,proben nr,probennummer,probenbezeichnung,bezeichnung,probenname,echantillon,no echantillon,n echantillon,numero echantillon,ref echantillon,nom echantillon,' +
      'muestra,id muestra,no muestra,n muestra,numero de muestra,identificacion,identificacion de la muestra,nombre de muestra',
  ],
  [
    'labNumber',
    'lab no,lab num,lab number,lab id,lab sample,lab sample no,lab sample id,laboratory no,laboratory number,laboratory id,accession,accession no,labornummer,labor nr,numero labo,no labo,n labo,no de laboratorio,numero de laboratorio,n laboratorio',
  ],
  ['bag', 'bag,bag no,bag id,bag number,bag code,container,beutel,beutel nr,sac,bolsa'],
  [
    'field',
    'field,field id,field name,field no,lawn,zone,area,area name,location,sample location,green,fairway,block,plot,turf area,flache,schlag,parcelle,parcela,lote,campo,zona,sitio de muestreo',
  ],
  [
    'property',
    'property,client,client name,customer,customer name,grower,owner,farm,farm name,site,site name,name,kunde,auftraggeber,betrieb,exploitation,cliente,propietario,finca',
  ],
  [
    'sampledOn',
    'sampled,sampled on,sampledon,date sampled,sample date,sampling date,date of sampling,collected,collected on,date collected,collection date,date taken,taken on,date,' +
      'probenahme,probenahmedatum,datum der probenahme,entnahmedatum,entnommen am,date de prelevement,date du prelevement,preleve le,prelevement,fecha de muestreo,fecha muestreo,fecha de toma,muestreado,fecha,datum',
  ],
  [
    'receivedOn',
    'received,received on,date received,date recd,recd,date of receipt,eingang,eingangsdatum,probeneingang,recu le,date de reception,reception,recibido,fecha de recepcion',
  ],
  [
    'reportedOn',
    'reported,reported on,report date,date reported,date of report,completed,date completed,date tested,date analyzed,analysis date,printed,date printed,berichtsdatum,bericht vom,date du rapport,rapport du,edite le,fecha de informe,fecha del informe,informe',
  ],
  [
    'depthIn',
    'depth,depthin,depth in,sample depth,sampling depth,soil depth,core depth,depth of sample,tiefe,entnahmetiefe,probenahmetiefe,profondeur,profondeur de prelevement,profundidad,profundidad de muestreo',
  ],
  ['basisDepthIn', 'basisdepthin,basis depth,basis depth in,furrow slice'],
  [
    'scoopGPerCm3',
    'scoopgpercm3,scoop,scoop weight,scoop density,w v,wt vol,wv,weight volume,weight per volume,volume weight,volumengewicht,raumgewicht',
  ],
  ['lab', 'lab,lab name,laboratory,laboratory name,labor,laboratoire,laboratorio'],
  [
    'analyte',
    'analyte,parameter,determination,test,analysis,nutrient,element,component,constituent,property tested,test name,test parameter,untersuchung,messgrosse,bestimmung,nahrstoff,parametre,analyse,determinacion,parametro,analisis,elemento',
  ],
  [
    'value',
    'value,result,results,your level,your value,your results,level found,reading,found,your result,your soil,lab result,test result,test results,test level,soil test level,level found,amount,concentration,measured,ergebnis,messwert,wert,befund,resultat,resultats,valeur,resultado,resultados,valor',
  ],
  ['qualifier', 'qualifier,flag,sign,q'],
  ['unit', 'unit,units,uom,einheit,einheiten,unite,unites,unidad,unidades'],
  [
    'method',
    'method,methods,test method,extract,extracting solution,extractant,extraction,extraction method,methode,verfahren,metodo,extractante',
  ],
  ['buffer-method', 'buffer method,buffermethod,buffer used'],
  ['P-method', 'p method,pmethod,phosphorus method'],
  [
    'rating',
    'rating,ratings,interpretation,status,class,category,level,levels,fertility level,index rating,relative level,gehaltsklasse,klasse,bewertung,einstufung,versorgung,niveau,appreciation,interpretacion,nivel,clase,calificacion',
  ],
  [
    'range',
    'optimum,optimum range,ideal level,optimum level,optimal level,sufficient range,adequate range,surplus,deficit,surplus deficit,deficit surplus,excess deficit,difference,deviation,optimal,optimal range,desired,desired range,desired level,target,target range,sufficiency range,sufficiency level,normal range,ideal,ideal range,guideline,guidelines,critical level,recommended range,recommended level,medium range,reference range,sollwert,richtwert,zielbereich,optimum de,plage,souhaitable,rango,rango optimo,valor optimo,intervalo',
  ],
  ['grass', 'grass,turf,turfgrass,species'],
  [
    'texture',
    'texture,soil texture,texture class,soil type,textural class,bodenart,classe texturale,clase textural,textura',
  ],
  ['areaSqFt', 'areasqft,area sq ft,size sq ft'],
  ['carbonates', 'fizz,fizz test,effervescence'],
];
export const FACT_NAMES: ReadonlyMap<string, ReportFact> = new Map(
  FACTS.flatMap(([fact, names]) => names.split(',').map((name) => [name, fact] as const)),
);

/** Words beside a name that change nothing in it. */
export const FILLERS: ReadonlySet<string> = new Set(
  (
    'soil,available,avail,extractable,extr,extracted,plant,exchangeable,exch,soluble,total,test,level,value,result,content,conc,concentration,as,by,in,of,the,measured,analysis,lab,elemental,extract,extractant,method,icp,aes,oes,walkley,black,estimated,est,calculated,calc,basis,dry,air,' +
    'verfugbar,verfugbarer,pflanzenverfugbar,pflanzenverfugbares,pflanzenverfugbarer,gehalt,loslich,austauschbar,austauschbares,im,des,bodens,boden,wert,' +
    'disponible,assimilable,echangeable,extractible,du,de,la,le,sol,en,teneur,intercambiable,cambiable,suelo,del,contenido,total'
  ).split(','),
);
/** Words that make a cation a share of the exchange capacity. */
export const SATURATION: ReadonlySet<string> = new Set([
  'base',
  'saturation',
  'sat',
  'bs',
  'cation',
  'sattigung',
  'saturacion',
  'satn',
  'cec',
]);
