"""Draws lamp.jpg, the photo of the demo: a lamp post on a quay in the evening. Nothing in it is real. Pillow 9.4.0."""
from PIL import Image, ImageDraw, ImageFilter
from PIL.TiffImagePlugin import IFDRational
import random

W, H = 1600, 1200
random.seed(7)
picture = Image.new("RGB", (W, H))
pen = ImageDraw.Draw(picture)
for y in range(700):                                   # sky
    t = y / 700
    pen.line([(0, y), (W, y)], fill=(int(96 + 130 * t), int(120 + 90 * t), int(160 + 40 * t)))
for y in range(700, 830):                              # water
    t = (y - 700) / 130
    pen.line([(0, y), (W, y)], fill=(int(80 - 20 * t), int(105 - 20 * t), int(120 - 20 * t)))
pen.polygon([(0, 690), (260, 600), (470, 650), (760, 585), (1010, 660), (1600, 620), (1600, 712), (0, 712)], fill=(74, 86, 88))
for _ in range(260):                                   # light on the water
    x, y = random.randrange(W), random.randrange(712, 828)
    pen.line([(x, y), (x + random.randrange(20, 90), y)], fill=(150, 160, 165))
pen.rectangle([0, 830, W, H], fill=(128, 122, 112))    # quay
for row in range(6):                                   # its stones
    top, high = 830 + row * (40 + row * 8), 40 + row * 8
    pen.line([(0, top), (W, top)], fill=(96, 91, 83), width=3)
    for x in range(-200 + (row % 2) * 110, W + 200, 220 + row * 24):
        pen.line([(x, top), (x - 30, top + high)], fill=(96, 91, 83), width=3)
pen.rectangle([792, 330, 812, 1010], fill=(38, 42, 46))       # post
pen.polygon([(752, 1030), (852, 1030), (832, 960), (772, 960)], fill=(46, 50, 55))
pen.polygon([(742, 250), (862, 250), (838, 340), (766, 340)], fill=(250, 226, 150))
pen.polygon([(730, 250), (874, 250), (802, 196)], fill=(38, 42, 46))
pen.line([(742, 250), (766, 340), (838, 340), (862, 250)], fill=(38, 42, 46), width=8)
pen.line([(846, 930), (820, 880), (838, 842)], fill=(200, 196, 186), width=4)
pen.rectangle([772, 700, 832, 742], fill=(214, 206, 190))     # its number plate
pen.text((795, 714), "7", fill=(30, 30, 30))
picture = picture.filter(ImageFilter.GaussianBlur(1.1))
exif = Image.Exif()
exif[0x8825] = {16: "T", 17: IFDRational(2481, 10)}    # looking 248.1 degrees from true north
picture.save("lamp.jpg", quality=84, exif=exif)
