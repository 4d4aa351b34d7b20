#!/usr/bin/env python3
"""Lets two other libraries look at the drawings beside it: ezdxf audits them (Debian's python3-ezdxf), GDAL counts what it reads (gdal-bin).

    /usr/bin/python3 audit.py > audited.txt

To make the drawings anew after a change of the writer, run FieldworkTest with -Dfieldwork.write=true, then this; it must say 'no errors'.
"""
import glob
import subprocess

import ezdxf

for name in sorted(glob.glob('*.dxf')):
    doc = ezdxf.readfile(name)
    auditor = doc.audit()
    print(name, doc.dxfversion, 'no errors' if not auditor.errors and not auditor.fixes else [e.message for e in auditor.errors + auditor.fixes])
    model = doc.modelspace()
    print('  layers', ', '.join(sorted(layer.dxf.name for layer in doc.layers)))
    print('  entities', ', '.join(f'{kind} {len(model.query(kind))}' for kind in ('INSERT', 'LWPOLYLINE', 'POLYLINE')))
    print('  lamp', [(a.dxf.tag, a.dxf.text) for a in model.query('INSERT')[0].attribs])
    for run in model.query('LWPOLYLINE'):
        print('  arcs', run.dxf.layer, 'closed' if run.closed else 'open', [round(b, 3) for *_, b in run.get_points('xyb')])
    out = subprocess.run(['ogrinfo', '-q', '-al', '-geom=SUMMARY', name], capture_output=True, text=True)
    kinds = [line.strip() for line in out.stdout.splitlines() if line.strip().startswith(('POINT', 'LINESTRING', 'POLYGON', 'GEOMETRY'))]
    print('  gdal', len(kinds), 'geometries', 'no errors' if not out.stderr else out.stderr.strip())
