"""Makes upright.jpg: a photo as a camera that is held upright stores it. Pillow 9.4.0."""
from PIL import Image
from PIL.TiffImagePlugin import IFDRational

picture = Image.new("RGB", (120, 80), (120, 130, 140))
picture.paste((220, 20, 20), (0, 0, 40, 30))          # upper left as stored: upper right as looked at
exif = Image.Exif()
exif[0x0112] = 6                                       # turned a quarter clockwise to be looked at
exif[0x010F] = "Made up"
exif[0x8825] = {16: "M", 17: IFDRational(1235, 10)}    # 123.5 degrees from magnetic north
exif[0x8769] = {0x927C: b"A maker's own note"}
picture.save("upright.jpg", quality=92, exif=exif)
