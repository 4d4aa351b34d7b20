#!/usr/bin/env python3
"""Makes the sample files beside it, and expected.tsv: what GDAL (ogrinfo's library, from Debian's gdal-bin) reads of each.

    python3 make.py

LandXML is read by nothing of GDAL; what is expected of it is counted with the standard library's XML parser.
"""
import json, math, os, subprocess, zipfile
import xml.etree.ElementTree as ET

HERE = os.path.dirname(os.path.abspath(__file__))
E0, N0 = 649010.0, 6314490.0
os.chdir(HERE)


def dxf(groups):
    return ''.join(f'{c}\n{v}\n' for c, v in groups)


def at(e, n, h=None, code=10):
    g = [(code, f'{E0 + e:.4f}'), (code + 10, f'{N0 + n:.4f}')]
    return g + ([(code + 20, f'{h:.4f}')] if h is not None else [])


def layers(*names):
    g = [(0, 'SECTION'), (2, 'TABLES'), (0, 'TABLE'), (2, 'LAYER'), (70, len(names))]
    for name, colour, flags in names:
        g += [(0, 'LAYER'), (2, name), (70, flags), (62, colour), (6, 'CONTINUOUS')]
    return g + [(0, 'ENDTAB'), (0, 'ENDSEC')]


def yard_r12():
    g = [(0, 'SECTION'), (2, 'HEADER'), (9, '$EXTMIN')] + at(-60, -60, 0) + [(9, '$EXTMAX')] + at(60, 60, 0) + [(0, 'ENDSEC')]
    g += layers(('Kerb', 1, 0), ('Rail', 3, 0), ('Old', 8, 1)) + [(0, 'SECTION'), (2, 'ENTITIES')]
    g += [(0, 'LINE'), (8, 'Kerb')] + at(-30, -24, 4.1) + at(-33, -8, 4.4, 11)
    g += [(0, 'LINE'), (8, 'Kerb')] + at(-33, -8, 4.4) + at(-31, 8, 4.9, 11)
    g += [(0, 'POLYLINE'), (8, 'Rail'), (66, 1), (70, 8)] + at(0, 0, 0)
    for e, n, h in ((34, 2, 7.5), (40, 14, 8.9), (52, 22, 10.2)):
        g += [(0, 'VERTEX'), (8, 'Rail'), (70, 32)] + at(e, n, h)
    g += [(0, 'SEQEND'), (0, 'CIRCLE'), (8, 'Old')] + at(33, 12, 9.0) + [(40, 5.2)]
    g += [(0, 'ARC'), (8, 'Old')] + at(-6, -34, 1.0) + [(40, 44.0), (50, 200), (51, 350)]
    for i, (e, n) in enumerate(((-22, -16), (-24, 14), (12, 22))):
        g += [(0, 'POINT'), (8, 'Lamps')] + at(e, n, 4.0 + i)
    g += [(0, 'TEXT'), (8, 'Words')] + at(0, 0, 0) + [(40, 1.5), (1, 'Slipway yard %%c 5.2')]
    return dxf(g + [(0, 'ENDSEC'), (0, 'EOF')])


def yard_2018():
    g = [(0, 'SECTION'), (2, 'HEADER'), (9, '$INSUNITS'), (70, 6), (0, 'ENDSEC')]
    g += layers(('Quay', 5, 0), ('Steps', 40, 0), ('Mesh', 252, 0), ('Marks', 6, 0))
    g += [(0, 'SECTION'), (2, 'BLOCKS')]
    g += [(0, 'BLOCK'), (8, '0'), (2, 'RING'), (70, 0), (10, 0), (20, 0), (30, 0), (3, 'RING')]
    g += [(0, 'LINE'), (8, '0'), (10, -1), (20, 0), (30, 0), (11, 1), (21, 0), (31, 0)]
    g += [(0, 'LINE'), (8, '0'), (10, 0), (20, -1), (30, 0), (11, 0), (21, 1), (31, 0), (0, 'ENDBLK'), (8, '0')]
    g += [(0, 'BLOCK'), (8, '0'), (2, 'PAIR'), (70, 0), (10, 0), (20, 0), (30, 0), (3, 'PAIR')]
    g += [(0, 'INSERT'), (8, '0'), (2, 'RING'), (10, 0), (20, 0), (30, 0)]
    g += [(0, 'INSERT'), (8, '0'), (2, 'RING'), (10, 5), (20, 0), (30, 0), (41, 2), (42, 2), (0, 'ENDBLK'), (8, '0'), (0, 'ENDSEC')]
    g += [(0, 'SECTION'), (2, 'ENTITIES')]
    g += [(0, 'LWPOLYLINE'), (8, 'Quay'), (100, 'AcDbEntity'), (100, 'AcDbPolyline'), (90, 4), (70, 1), (38, 2.5)]
    for e, n, b in ((-40, -60, 0.5), (-10, -60, 0), (-10, -40, -0.3), (-40, -40, 0)):
        g += at(e, n) + [(42, b)]
    g += [(0, 'SPLINE'), (8, 'Quay'), (210, 0), (220, 0), (230, 1), (70, 8), (71, 3), (72, 8), (73, 4), (74, 0)]
    g += [(40, k) for k in (0, 0, 0, 0, 1, 1, 1, 1)]
    for e, n in ((0, -50), (10, -30), (20, -70), (30, -50)):
        g += at(e, n, 1.0)
    g += [(0, 'ELLIPSE'), (8, 'Steps')] + at(20, 20, 6.0) + [(11, 8), (21, 4), (31, 0), (40, 0.5), (41, 0), (42, 4.0)]
    g += [(0, 'MTEXT'), (8, 'Marks')] + at(5, 5, 0) + [(40, 1.0), (1, '{\\fSans|b1;Boat\\P loft \\U+00F8}')]
    g += [(0, 'INSERT'), (8, 'Marks'), (2, 'PAIR')] + at(50, -20, 3.0) + [(50, 30.0)]
    for k in range(2):
        g += [(0, '3DFACE'), (8, 'Mesh')] + at(60 + 10 * k, 0, 1.0 + k) + at(70 + 10 * k, 0, 2.0 + k, 11) + at(70 + 10 * k, 10, 3.0 + k, 12) + at(60 + 10 * k, 10, 2.0 + k, 13)
    g += [(0, 'POLYLINE'), (8, 'Steps'), (66, 1), (70, 64), (71, 4), (72, 2)] + [(10, 0), (20, 0), (30, 0)]
    for e, n, h in ((-60, 20, 3), (-50, 20, 3.5), (-50, 30, 4), (-60, 30, 3.2)):
        g += [(0, 'VERTEX'), (8, 'Steps')] + at(e, n, h) + [(70, 192)]
    for face in ((1, 2, 3), (1, 3, 4)):
        g += [(0, 'VERTEX'), (8, 'Steps'), (10, 0), (20, 0), (30, 0), (70, 128)] + [(71 + i, c) for i, c in enumerate(face)]
    g += [(0, 'SEQEND'), (8, 'Steps'), (0, 'HATCH'), (8, 'Steps'), (10, 0), (20, 0), (30, 0)]
    return dxf(g + [(0, 'ENDSEC'), (0, 'EOF')])


def write(name, text):
    with open(name, 'w', encoding='utf-8', newline='') as f:
        f.write(text)


def geojson():
    def feature(kind, coordinates, **about):
        return {'type': 'Feature', 'properties': about, 'geometry': {'type': kind, 'coordinates': coordinates}}
    lon, lat = 11.4505, 56.9510
    features = [feature('Point', [lon + 0.0001 * i, lat + 0.0002 * i, 4 + i], name=f'G{i}', code='LMP') for i in range(5)]
    features.append(feature('LineString', [[lon, lat], [lon + 0.001, lat + 0.0004], [lon + 0.002, lat]], name='path', layer='Paths'))
    features.append(feature('Polygon', [[[lon, lat], [lon + 0.001, lat], [lon + 0.001, lat + 0.001], [lon, lat]],
                                        [[lon + 0.0005, lat + 0.0001], [lon + 0.0006, lat + 0.0001], [lon + 0.0006, lat + 0.0002], [lon + 0.0005, lat + 0.0001]]], name='pit'))
    features.append(feature('MultiLineString', [[[lon, lat], [lon, lat + 0.001]], [[lon + 0.001, lat], [lon + 0.001, lat + 0.002]]], name='twin'))
    write('yard.geojson', json.dumps({'type': 'FeatureCollection', 'name': 'Yard', 'features': features}, indent=1))


def kml():
    lon, lat = 11.4505, 56.9510
    body = ''.join(f'<Placemark><name>K{i}</name><Point><coordinates>{lon + i * 0.0003},{lat + i * 0.0001},{i}</coordinates></Point></Placemark>' for i in range(4))
    body += f'<Folder><name>Shore</name><Placemark><name>bank</name><LineString><altitudeMode>absolute</altitudeMode><coordinates>{lon},{lat},3 {lon + 0.001},{lat + 0.002},4\n {lon + 0.003},{lat + 0.001},5</coordinates></LineString></Placemark></Folder>'
    body += f'<Placemark><name>pit</name><Polygon><outerBoundaryIs><LinearRing><coordinates>{lon},{lat} {lon + 0.001},{lat} {lon + 0.001},{lat + 0.001} {lon},{lat}</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark>'
    text = f'<?xml version="1.0" encoding="UTF-8"?>\n<kml xmlns="http://www.opengis.net/kml/2.2"><Document><name>Ternholm</name>{body}</Document></kml>\n'
    write('shore.kml', text)
    with zipfile.ZipFile('shore.kmz', 'w', zipfile.ZIP_DEFLATED) as z:
        z.writestr(zipfile.ZipInfo('doc.kml', (2026, 1, 1, 0, 0, 0)), text)


def landxml():
    def p(n, e, h=None):
        return f'{N0 + n:.6f} {E0 + e:.6f}' + ('' if h is None else f' {h:.4f}')
    points = ''.join(f'<CgPoint name="C{i}" code="CTL" desc="control">{p(10 * i, 5 * i, 4 + 0.5 * i)}</CgPoint>' for i in range(6))
    # line 60, clothoid 40 to R 120 right, arc 70, clothoid 40 back, line 50: integrated by fine steps
    def step(n, e, a, length, k0, k1, parts=200000):
        ds = length / parts
        for i in range(parts):
            s = (i + 0.5) * ds
            d = a + k0 * s + (k1 - k0) * s * s / (2 * length)
            n += ds * math.cos(d)
            e += ds * math.sin(d)
        return n, e, a + (k0 + k1) / 2 * length
    n, e, a = 0.0, 0.0, math.radians(40)
    places = [(n, e, a)]
    for length, k0, k1 in ((60, 0, 0), (40, 0, 1 / 120), (70, 1 / 120, 1 / 120), (40, 1 / 120, 0), (50, 0, 0)):
        n, e, a = step(n, e, a, length, k0, k1, 1 if k0 == k1 == 0 else 200000)
        places.append((n, e, a))
    def centre(pl):
        return pl[0] - 120 * math.sin(pl[2]), pl[1] + 120 * math.cos(pl[2])
    c = centre(places[2])
    def ends(i):
        return f'<Start>{p(*places[i][:2])}</Start>'
    def end(i):
        return f'<End>{p(*places[i][:2])}</End>'
    geom = (f'<Line>{ends(0)}{end(1)}</Line><Spiral length="40" radiusEnd="120" radiusStart="INF" rot="cw" spiType="clothoid">{ends(1)}<PI>{p(0, 0)}</PI>{end(2)}</Spiral>'
            f'<Curve rot="cw" radius="120">{ends(2)}<Center>{p(*c)}</Center>{end(3)}</Curve>'
            f'<Spiral length="40" radiusEnd="INF" radiusStart="120" rot="cw" spiType="clothoid">{ends(3)}<PI>{p(0, 0)}</PI>{end(4)}</Spiral><Line>{ends(4)}{end(5)}</Line>')
    profile = '<Profile name="design"><ProfAlign name="crown"><PVI>1000 4.0</PVI><ParaCurve length="60">1090 7.6</ParaCurve><CircCurve length="40" radius="900">1190 5.6</CircCurve><PVI>1260 6.3</PVI></ProfAlign></Profile>'
    alignment = f'<Alignment name="Causeway" length="260" staStart="1000"><CoordGeom>{geom}</CoordGeom><StaEquation staAhead="2000" staInternal="1200" staBack="1200"/>{profile}</Alignment>'
    pnts = ''.join(f'<P id="{i + 1}">{p(8 * (i // 4), 8 * (i % 4), 2 + 0.1 * i)}</P>' for i in range(12))
    faces = ''
    for r in range(2):
        for k in range(3):
            q = 4 * r + k + 1
            faces += f'<F>{q} {q + 1} {q + 5}</F><F>{q} {q + 5} {q + 4}</F>'
    surface = f'<Surface name="Yard as built"><SourceData><Breaklines><Breakline brkType="standard"><PntList3D>{p(0, 0, 2)} {p(0, 24, 2.3)}</PntList3D></Breakline></Breaklines><Boundaries><Boundary bndType="outer"><PntList2D>{p(0, 0)} {p(0, 24)} {p(16, 24)} {p(16, 0)} {p(0, 0)}</PntList2D></Boundary></Boundaries></SourceData><Definition surfType="TIN"><Pnts>{pnts}</Pnts><Faces>{faces}<F i="1">1 2 12</F></Faces></Definition></Surface>'
    features = f'<PlanFeatures><PlanFeature name="kerb"><CoordGeom><Line><Start pntRef="C0"/><End pntRef="C1"/></Line><Curve rot="ccw"><Start pntRef="C1"/><Center>{p(15, 0)}</Center><End>{p(20, 5)}</End></Curve></CoordGeom></PlanFeature></PlanFeatures>'
    parcel = f'<Parcels><Parcel name="lot 1"><CoordGeom><IrregularLine><Start>{p(0, 0)}</Start><End>{p(0, 0)}</End><PntList2D>{p(0, 0)} {p(0, 20)} {p(20, 20)} {p(0, 0)}</PntList2D></IrregularLine></CoordGeom></Parcel></Parcels>'
    write('causeway.xml', f'<?xml version="1.0" encoding="UTF-8"?>\n<LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2"><Units><Metric linearUnit="meter" areaUnit="squareMeter"/></Units><CoordinateSystem epsgCode="25832"/>\n'
          f'{features}\n<CgPoints>{points}</CgPoints>\n{parcel}\n<Alignments>{alignment}</Alignments>\n<Surfaces>{surface}</Surfaces></LandXML>\n')


def run(*command):
    fine = dict(os.environ, OGR_ARC_STEPSIZE='0.05', **({'SHAPE_RESTORE_SHX': 'YES'} if 'pit.shp' in command else {}))
    return subprocess.run(command, check=True, capture_output=True, text=True, env=fine).stdout


def from_gdal():
    for f in ('yard.gpkg', 'yard-utm.gpkg', 'lamps.zip'):
        if os.path.exists(f):
            os.remove(f)
    run('ogr2ogr', '-f', 'GPKG', 'yard.gpkg', 'yard.geojson')
    run('ogr2ogr', '-f', 'GPKG', '-t_srs', 'EPSG:25832', '-where', "OGR_GEOMETRY='POINT'", 'yard-utm.gpkg', 'yard.geojson')
    run('ogr2ogr', '-f', 'ESRI Shapefile', '-t_srs', 'EPSG:25832', '-where', "OGR_GEOMETRY='POINT'", 'lamps.shp', 'yard.geojson')
    run('ogr2ogr', '-f', 'ESRI Shapefile', '-t_srs', 'EPSG:25832', '-where', "OGR_GEOMETRY='POLYGON'", 'pit.shp', 'yard.geojson')
    with zipfile.ZipFile('lamps.zip', 'w', zipfile.ZIP_DEFLATED) as z:
        for stem in ('lamps', 'pit'):
            for end in ('shp', 'dbf', 'prj', 'shx', 'cpg'):
                if os.path.exists(f'{stem}.{end}'):
                    with open(f'{stem}.{end}', 'rb') as f:
                        z.writestr(zipfile.ZipInfo(f'{stem}.{end}', (2026, 1, 1, 0, 0, 0)), f.read())
                    if (stem, end) != ('pit', 'shp'):
                        os.remove(f'{stem}.{end}')


def parts(geometry):
    kind, c = geometry['type'], geometry.get('coordinates')
    if kind == 'GeometryCollection':
        for g in geometry['geometries']:
            yield from parts(g)
    elif kind == 'Point':
        yield [c]
    elif kind == 'MultiPoint':
        for p in c:
            yield [p]
    elif kind == 'LineString':
        yield c
    elif kind in ('MultiLineString', 'Polygon'):
        yield from c
    else:
        for polygon in c:
            yield from polygon


def gdal_reads(name):
    """Points, lines and rings, total length in the file's own coordinates, and extent, from GDAL's own conversion."""
    source = f'/vsizip/{name}' if name.endswith('.zip') else name
    layers = [l.split(':')[1].split('(')[0].strip() for l in run('ogrinfo', '-q', source).splitlines() if ':' in l]
    points = lines = 0
    length, west, south, east, north = 0.0, 1e99, 1e99, -1e99, -1e99
    for line in run('ogrinfo', '-so', '-al', source).splitlines():
        if line.startswith('Extent:'):
            w, s, e, n = map(float, line[7:].replace('(', '').replace(')', '').replace(' - ', ',').split(','))
            west, east, south, north = min(west, w), max(east, e), min(south, s), max(north, n)
    for layer in layers:
        text = run('ogr2ogr', '-f', 'GeoJSON', '-lco', 'COORDINATE_PRECISION=12', '-lco', 'RFC7946=NO', '/vsistdout/', source, layer)
        for feature in json.loads(text)['features']:
            if 'Text' in (feature['properties'] or {}) and (feature['properties'] or {}).get('Text'):
                continue
            for row in parts(feature['geometry']) if feature['geometry'] else ():
                points += len(row) == 1
                lines += len(row) > 1
                length += sum(math.hypot(b[0] - a[0], b[1] - a[1]) for a, b in zip(row, row[1:]))
    return [name, points, lines, f'{length:.6f}', f'{south:.6f}', f'{west:.6f}', f'{north:.6f}', f'{east:.6f}']


def xml_reads(name):
    root = ET.parse(name).getroot()
    ns = {'x': root.tag[1:].split('}')[0]}
    def count(path):
        return len(root.findall('.//x:' + path, ns))
    coordinates = [list(map(float, p.text.split())) for p in root.findall('.//x:CgPoint', ns) if p.text]
    return [name, count('CgPoint'), count('PlanFeature') + count('Parcel'), count('Surface'),
            f'{min(c[0] for c in coordinates):.9f}', f'{min(c[1] for c in coordinates):.9f}', f'{max(c[0] for c in coordinates):.9f}', f'{max(c[1] for c in coordinates):.9f}']


write('yard-r12.dxf', yard_r12())
write('yard-2018.dxf', yard_2018())
geojson()
kml()
landxml()
from_gdal()
with open('expected.tsv', 'w') as f:
    f.write('# file, points, lines, length in the plan of the file (surfaces for LandXML), south, west, north, east: by ' + run('ogrinfo', '--version').split(',')[0] + '\n')
    for sample in ('yard-r12.dxf', 'yard-2018.dxf', 'yard.geojson', 'shore.kml', 'shore.kmz', 'yard.gpkg', 'yard-utm.gpkg', 'lamps.zip', 'pit.shp'):
        f.write('\t'.join(map(str, gdal_reads(sample))) + '\n')
    f.write('\t'.join(map(str, xml_reads('causeway.xml'))) + '\n')
os.remove('pit.shx')
