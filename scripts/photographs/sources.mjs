// Photographs that nobody here made, by the package of Debian that ships them. Those to tune on and those that are only measured on
// are of different packages, so that no photograph, and no photographer, is in both halves.

/** What a photograph shows, by which right answers are counted apart. */
export const KINDS = ['buildings', 'people', 'animals', 'landscape', 'plants', 'things', 'night', 'shallow', 'plain'];

const OPENCV = 'usr/share/doc/opencv-doc/examples';
const SKIMAGE = 'usr/lib/python3/dist-packages/skimage/data';

/** `files` are parts of paths; of a package that keeps each picture in several sizes, the largest counts. */
export const SOURCES = [
  {
    half: 'tuning',
    package: 'opencv-doc',
    photographs: {
      [`${OPENCV}/data/aloeL.jpg`]: 'plants',
      [`${OPENCV}/data/building.jpg`]: 'buildings',
      [`${OPENCV}/data/graf1.png`]: 'buildings',
      [`${OPENCV}/data/leuvenA.jpg`]: 'buildings',
      [`${OPENCV}/text/scenetext01.jpg`]: 'buildings',
      [`${OPENCV}/text/scenetext02.jpg`]: 'night',
      [`${OPENCV}/text/scenetext03.jpg`]: 'buildings',
      [`${OPENCV}/text/scenetext04.jpg`]: 'buildings',
      [`${OPENCV}/text/scenetext05.jpg`]: 'landscape',
      [`${OPENCV}/text/scenetext06.jpg`]: 'buildings',
      [`${OPENCV}/data/chicky_512.png`]: 'animals',
      [`${OPENCV}/data/fruits.jpg`]: 'things',
      [`${OPENCV}/data/rubberwhale1.png`]: 'things',
    },
  },
  {
    half: 'tuning',
    package: 'python3-skimage',
    photographs: {
      [`${SKIMAGE}/astronaut.png`]: 'people',
      [`${SKIMAGE}/camera.png`]: 'people',
      [`${SKIMAGE}/coffee.png`]: 'shallow',
      [`${SKIMAGE}/motorcycle_left.png`]: 'things',
      [`${SKIMAGE}/rocket.jpg`]: 'night',
    },
  },
  {
    half: 'tuning',
    package: 'python3-sklearn',
    photographs: {
      'sklearn/datasets/images/china.jpg': 'buildings',
      'sklearn/datasets/images/flower.jpg': 'shallow',
    },
  },
  {
    half: 'tuning',
    package: 'visp-images-data',
    photographs: { 'Solvay_conference_1927_Version2_2126x1463.jpg': 'people' },
  },
  {
    half: 'tuning',
    package: 'darknet',
    isSource: true,
    photographs: {
      'data/dog.jpg': 'things',
      'data/eagle.jpg': 'animals',
      'data/giraffe.jpg': 'animals',
      'data/horses.jpg': 'animals',
      'data/kite.jpg': 'people',
      'data/person.jpg': 'people',
    },
  },
  {
    half: 'heldOut',
    package: 'gcompris-qt-data',
    /** Pictures lie one after the other in a file of resources; of those that are alike each so manieth counts. */
    carved: {
      'explore_monuments.rcc': { kind: 'buildings', every: 1 },
      'explore_farm_animals.rcc': { kind: 'animals', every: 1 },
      'explore_world_animals.rcc': { kind: 'animals', every: 1 },
      'erase.rcc': { kind: 'shallow', every: 3 },
    },
  },
  {
    half: 'heldOut',
    package: 'lomiri-wallpapers-16.04',
    photographs: {
      'Dragonfly_by_Bolly.jpg': 'plants',
      'Picture_0B_by_freespace.jpg': 'things',
      'Picture_1A_by_freespace.jpg': 'shallow',
      'Wine_by_Jakkub_Mede.jpg': 'things',
      'aitzgorri_by_Aitzol_Berasategi.jpg': 'landscape',
      'friends_by_Aitzol_Berasategi.jpg': 'animals',
      'greentock_by_Peter_Nerlich.jpg': 'things',
      'life_by_Aitzol_Berasategi.jpg': 'landscape',
      'picosdeeuropa_by_Aitzol_Berasategi.jpg': 'landscape',
      'seeding_by_Clements_Engelhardt.jpg': 'shallow',
      'sunset_by_Aitzol_Berasategi.jpg': 'landscape',
    },
  },
  { half: 'heldOut', package: 'lomiri-wallpapers-20.04', photographs: { 'Kleiber_by_Lukas_Baubkus.jpg': 'shallow' } },
  {
    half: 'heldOut',
    package: 'lxqt-themes',
    photographs: {
      'Valendas.png': 'landscape',
      'after-the-rain.jpg': 'landscape',
      'appleflower.png': 'shallow',
      'beam.png': 'landscape',
      'butterfly.png': 'shallow',
      'cloud.png': 'plain',
      'drop.png': 'shallow',
      'flowers.png': 'shallow',
      'fog.jpg': 'plain',
      'this-is-not-windows.jpg': 'plain',
    },
  },
  {
    half: 'heldOut',
    package: 'mate-backgrounds',
    photographs: {
      'Aqua.jpg': 'shallow',
      'Blinds.jpg': 'plants',
      'Dune.jpg': 'plants',
      'Garden.jpg': 'shallow',
      'GreenMeadow.jpg': 'plants',
      'LadyBird.jpg': 'shallow',
      'RainDrops.jpg': 'plants',
      'Storm.jpg': 'plain',
      'TwoWings.jpg': 'shallow',
      'YellowFlower.jpg': 'plants',
    },
  },
  {
    half: 'heldOut',
    package: 'palapeli-data',
    photographs: {
      'castle-maintenon.jpg': 'buildings',
      'cincinnati-bridge.jpg': 'night',
      'citrus-fruits.jpg': 'things',
      'european-honey-bee.jpg': 'shallow',
      'panther-chameleon-female.jpg': 'animals',
    },
  },
  {
    half: 'heldOut',
    package: 'plasma-workspace-wallpapers',
    photographs: {
      'BytheWater/contents/images': 'shallow',
      'ColdRipple/contents/images': 'plain',
      'ColorfulCups/contents/images': 'things',
      'EveningGlow/contents/images': 'landscape',
      'FallenLeaf/contents/images': 'shallow',
      'Grey/contents/images': 'buildings',
      'OneStandsOut/contents/images': 'plants',
      'Path/contents/images': 'landscape',
    },
  },
];
