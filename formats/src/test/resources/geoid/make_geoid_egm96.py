#!/usr/bin/env python3
"""Makes geoid_egm96.csv with PROJ's cct (Debian: proj-bin, proj-data): run it in this directory. Latitude, longitude, undulation."""
import random, subprocess


def cct(pipeline, rows):
    text = "\n".join(" ".join(repr(x) for x in row) for row in rows) + "\n"
    out = subprocess.run(["cct", "-d", "12", *pipeline.split()], input=text, capture_output=True, text=True, check=True).stdout
    return [[float(x) for x in line.split()[:3]] for line in out.strip().splitlines()]


draw = random.Random(7)
places = [(draw.uniform(-180, 180), draw.uniform(-90, 90), 0.0, 0.0) for _ in range(190)]
places += [(x, y, 0.0, 0.0) for x, y in ((180, 10), (-180, 10), (179.9, -45), (-179.9, -45), (0, 0), (-0.1, 0), (10, 89.9), (10, -89.9), (11.45, 56.95), (359.9 - 360, 5))]
PIPELINE = ("+proj=pipeline +step +proj=unitconvert +xy_in=deg +xy_out=rad +step +proj=vgridshift +grids=egm96_15.gtx +multiplier=1")
n = cct(PIPELINE, places)
with open("geoid_egm96.csv", "w") as out:
    out.write("latitude,longitude,undulation\n")
    for place, value in zip(places, n):
        out.write(f"{place[1]!r},{place[0]!r},{value[2]!r}\n")
