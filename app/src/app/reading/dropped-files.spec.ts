import { refusalOf, sorted } from './dropped-files';

const file = (name: string, type = ''): File => ({ name, type }) as File;
const names = (files: readonly File[]): string[] => files.map(({ name }) => name);

describe('files that are dropped', () => {
  it('are photos, maps, or what is said to be not read', () => {
    const found = sorted([
      file('a.JPG', 'image/jpeg'),
      file('b.heic'),
      file('town.geojson', 'application/geo+json'),
      file('map.osm'),
      file('c.raw', 'image/x-raw'),
      file('clip.mp4', 'video/mp4'),
      file('notes.txt', 'text/plain'),
      file('picture', 'image/png'),
      file('.hidden'),
      file('R1.NEF'),
      file('R2.cr3'),
      file('c.HIF'),
    ]);
    expect(names(found.pictures)).toEqual(['a.JPG', 'b.heic', 'c.raw', 'picture', 'R1.NEF', 'R2.cr3', 'c.HIF']);
    expect(names(found.maps)).toEqual(['town.geojson', 'map.osm']);
    expect(names(found.others)).toEqual(['clip.mp4', 'notes.txt']);
  });

  it('that are not read are told why', () => {
    const told = [file('clip.MP4'), file('b', 'video/quicktime'), file('town.osm'), file('notes.txt', 'text/plain')].map(refusalOf);
    expect(told.map((words) => words.split(':')[0])).toEqual([
      'is a video',
      'is a video',
      'is a map',
      'is not a photo or a map that can be read here.',
    ]);
  });
});
