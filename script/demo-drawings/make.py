#!/usr/bin/env python3
"""Makes the demo's drawings of Ternholm into app/src/main/resources/demo. Everything is made up.

    python3 script/demo-drawings/make.py
"""
import math
import os

OUT = os.path.join(os.path.dirname(os.path.abspath(__file__)), '../../app/src/main/resources/demo')
N0, E0 = 6314490.0, 649010.0


def dxf(groups):
    return ''.join(f'{c}\n{v}\n' for c, v in groups)


def at(n, e, h=None, code=10):
    place = [(code, f'{E0 + e:.4f}'), (code + 10, f'{N0 + n:.4f}')]
    return place + ([(code + 20, f'{h:.3f}')] if h is not None else [])


def head(unit, *layers):
    g = [(0, 'SECTION'), (2, 'HEADER'), (9, '$INSUNITS'), (70, unit), (0, 'ENDSEC'), (0, 'SECTION'), (2, 'TABLES'), (0, 'TABLE'), (2, 'LAYER'), (70, len(layers))]
    for name, colour in layers:
        g += [(0, 'LAYER'), (2, name), (70, 0), (62, colour), (6, 'CONTINUOUS')]
    return g + [(0, 'ENDTAB'), (0, 'ENDSEC')]


def line(layer, points, closed=0, bulges=None):
    g = [(0, 'LWPOLYLINE'), (8, layer), (90, len(points)), (70, closed)]
    for i, (n, e) in enumerate(points):
        g += at(n, e) + ([(42, bulges[i])] if bulges and bulges[i] else [])
    return g


def text(layer, n, e, size, words):
    return [(0, 'TEXT'), (8, layer)] + at(n, e, 0) + [(40, size), (1, words)]


def island():
    g = head(6, ('Shore', 5), ('Tower', 8), ('Quay', 30), ('Paths', 8), ('Words', 8)) + [(0, 'SECTION'), (2, 'ENTITIES')]
    shore = []
    for i in range(72):
        t = math.radians(5 * i)
        r = 212 + 14 * math.sin(3 * t) + 7 * math.cos(5 * t + 1)
        shore.append((86 + r * math.cos(t), 70 + r * math.sin(t)))
    g += line('Shore', shore, 1)
    g += [(0, 'CIRCLE'), (8, 'Tower')] + at(12, 33) + [(40, 5.2), (0, 'CIRCLE'), (8, 'Tower')] + at(12, 33) + [(40, 3.9)]
    g += line('Quay', [(-34 + 44 * math.cos(math.radians(a)), -6 + 44 * math.sin(math.radians(a))) for a in range(100, 251, 10)])
    g += line('Paths', [(20, 40), (70, 66), (120, 92), (176, 96)]) + line('Paths', [(2, 44), (-14, 74), (-6, 118), (40, 150)])
    for n, e, size, words in ((96, 60, 6, 'Ternholm'), (16, 40, 2.4, 'Light tower'), (-96, -42, 3, 'Jetty'), (-60, 44, 3, 'Landing'), (150, 100, 3, 'Cliff path')):
        g += text('Words', n, e, size, words)
    return dxf(g + [(0, 'ENDSEC'), (0, 'EOF')])


def drain():
    run = ((16, -14, 3.42), (4, -2, 3.05), (-12, 10, 2.48), (-30, 18, 1.94), (-52, 22, 1.42))
    g = head(6, ('Drain', 5), ('Manholes', 6), ('Kerb', 1))
    g += [(0, 'SECTION'), (2, 'BLOCKS'), (0, 'BLOCK'), (8, '0'), (2, 'MANHOLE'), (70, 2), (10, 0), (20, 0), (30, 0)]
    g += [(0, 'CIRCLE'), (8, '0'), (10, 0), (20, 0), (40, 0.5), (0, 'ENDBLK'), (8, '0'), (0, 'ENDSEC'), (0, 'SECTION'), (2, 'ENTITIES')]
    g += [(0, 'POLYLINE'), (8, 'Drain'), (66, 1), (70, 8), (10, 0), (20, 0), (30, 0)]
    for n, e, h in run:
        g += [(0, 'VERTEX'), (8, 'Drain'), (70, 32)] + at(n, e, h)
    g += [(0, 'SEQEND'), (8, 'Drain')]
    for i, (n, e, h) in enumerate(run):
        g += [(0, 'INSERT'), (8, 'Manholes'), (66, 1), (2, 'MANHOLE')] + at(n, e, h)
        g += [(0, 'ATTRIB'), (8, 'Manholes')] + at(n + 1, e + 1, h) + [(40, 0.8), (1, f'MH{i + 1}'), (2, 'NAME'), (70, 0), (0, 'SEQEND'), (8, 'Manholes')]
    kerb = [(-24, -30), (-8, -33), (8, -31), (20, -22), (26, -8), (27, 8), (22, 21)]
    g += line('Kerb', kerb, 0, [0, 0, 0.12, 0, 0, 0, 0])
    return dxf(g + [(0, 'ENDSEC'), (0, 'EOF')])


def loft():
    """The boat loft as drawn: 18 by 9 metres, a partition, a row of frames."""
    a = math.radians(24)

    def place(across, along):
        return (-46 + across * math.cos(a) - along * math.sin(a), 66 + across * math.sin(a) + along * math.cos(a))
    g = head(6, ('Walls', 8), ('Partition', 30), ('Frames', 5)) + [(0, 'SECTION'), (2, 'ENTITIES')]
    g += line('Walls', [place(*p) for p in ((0, 0), (0, 18), (9, 18), (9, 0))], 1)
    g += line('Partition', [place(0, 5), place(5.5, 5)]) + line('Frames', [place(8.4, 7), place(8.4, 16)])
    return dxf(g + [(0, 'ENDSEC'), (0, 'EOF')])


def causeway():
    """Line 120, clothoid 40 to R 160 left, arc 80, clothoid 40, line 140: 0+000 to 0+420."""
    n, e, a = -58.0, 30.0, math.radians(96)
    places = [(n, e, a)]
    kinds = ((120, 0, 0), (40, 0, -1 / 160), (80, -1 / 160, -1 / 160), (40, -1 / 160, 0), (140, 0, 0))
    fine = []
    s = 0.0
    for length, k0, k1 in kinds:
        parts = int(length * 100)
        ds = length / parts
        for i in range(parts):
            if (i % 1000) == 0:
                fine.append((s + i * ds, n, e, a))
            m = (i + 0.5) * ds
            d = places[-1][2] + k0 * m + (k1 - k0) * m * m / (2 * length)
            n += ds * math.cos(d)
            e += ds * math.sin(d)
            a = places[-1][2] + k0 * (i + 1) * ds + (k1 - k0) * ((i + 1) * ds) ** 2 / (2 * length)
        s += length
        places.append((n, e, a))
    fine.append((s, n, e, a))

    def p(q, h=None):
        return f'{N0 + q[0]:.5f} {E0 + q[1]:.5f}' + ('' if h is None else f' {h:.3f}')

    def ends(i):
        return f'<Start>{p(places[i])}</Start><End>{p(places[i + 1])}</End>'
    centre = (places[2][0] + 160 * math.cos(places[2][2] - math.pi / 2), places[2][1] + 160 * math.sin(places[2][2] - math.pi / 2))
    geom = (f'<Line>{ends(0)}</Line>\n<Spiral length="40" radiusStart="INF" radiusEnd="160" rot="ccw" spiType="clothoid">{ends(1)}</Spiral>\n'
            f'<Curve rot="ccw" radius="160">{ends(2).replace("<End>", f"<Center>{p(centre)}</Center><End>")}</Curve>\n'
            f'<Spiral length="40" radiusStart="160" radiusEnd="INF" rot="ccw" spiType="clothoid">{ends(3)}</Spiral>\n<Line>{ends(4)}</Line>')
    grades = ((0, 2.10, 0), (130, 3.40, 60), (300, 2.55, 80), (420, 3.03, 0))

    def height(d):
        for i in range(1, len(grades) - 1):
            g1 = (grades[i][1] - grades[i - 1][1]) / (grades[i][0] - grades[i - 1][0])
            g2 = (grades[i + 1][1] - grades[i][1]) / (grades[i + 1][0] - grades[i][0])
            x, length = d - grades[i][0], grades[i][2]
            if abs(x) <= length / 2:
                return grades[i][1] + g1 * x + (g2 - g1) * (x + length / 2) ** 2 / (2 * length)
        for i in range(1, len(grades)):
            if d <= grades[i][0]:
                return grades[i][1] + (grades[i][1] - grades[i - 1][1]) / (grades[i][0] - grades[i - 1][0]) * (d - grades[i][0])
        return grades[-1][1]
    profile = f'<PVI>0 {grades[0][1]}</PVI><ParaCurve length="60">130 {grades[1][1]}</ParaCurve><ParaCurve length="80">300 {grades[2][1]}</ParaCurve><PVI>420 {grades[3][1]}</PVI>'
    points, faces = [], []
    for d, n, e, a in fine:
        for side, drop in ((-4.0, 0.10), (0.0, 0.0), (4.0, 0.10)):
            points.append((n - side * math.sin(a), e + side * math.cos(a), height(d) - drop))
    for i in range(len(fine) - 1):
        for k in range(2):
            q = 3 * i + k + 1
            faces += [(q, q + 1, q + 4), (q, q + 4, q + 3)]
    pnts = '\n'.join(f'<P id="{i + 1}">{p(q, q[2])}</P>' for i, q in enumerate(points))
    return f'''<?xml version="1.0" encoding="UTF-8"?>
<LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2">
<Units><Metric linearUnit="meter" areaUnit="squareMeter" volumeUnit="cubicMeter"/></Units>
<CoordinateSystem epsgCode="25832" desc="ETRS89 / UTM zone 32N"/>
<Alignments><Alignment name="Landing causeway" length="420" staStart="0"><CoordGeom>
{geom}
</CoordGeom><Profile name="crown"><ProfAlign name="crown">{profile}</ProfAlign></Profile></Alignment></Alignments>
<Surfaces><Surface name="Causeway deck"><Definition surfType="TIN"><Pnts>
{pnts}
</Pnts><Faces>
{chr(10).join('<F>%d %d %d</F>' % f for f in faces)}
</Faces></Definition></Surface></Surfaces>
</LandXML>
'''


def stair_tower():
    rows = ['Name,Northing,Easting,Elevation,Code']
    for i in range(6):
        a = math.radians(60 * i + 15)
        rows.append(f'U{i + 1},{N0 + 12 + 3.4 * math.cos(a):.3f},{E0 + 33 + 3.4 * math.sin(a):.3f},{12.2 + 2.65 * i:.3f},CTL')
    return '\n'.join(rows) + '\n'


for name, content in (('island-map.dxf', island()), ('rainwater-drain.dxf', drain()), ('boat-loft.dxf', loft()), ('landing-causeway.xml', causeway()), ('stair-tower.csv', stair_tower())):
    with open(os.path.join(OUT, name), 'w', newline='') as f:
        f.write(content)
