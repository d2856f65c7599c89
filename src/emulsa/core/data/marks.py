"""Engraved marks and the exact step each means. Source: ISO 517 and ISO 516, from memory.

Apertures are listed by their distance from f/1 in stops (f = 2^(stops/2)); shutter marks by the
power of two of their seconds. Old leaf-shutter marks are literal.
"""

FULL_APERTURES = (
    "1 1.4 2 2.8 4 5.6 8 11 16 22 32 45 64 90 128 180 256 360 512"
).split()  # one stop apart, from f/1

HALF_APERTURES = (
    "1.2 1.7 2.4 3.3 4.8 6.7 9.5 13 19 27 38 54 76 108 152 215 304 431"
).split()  # half a stop past each full mark, from f/1.2

THIRD_APERTURES = (
    "1.1 1.3 1.6 1.8 2.2 2.5 3.2 3.5 4.5 5 6.3 7.1 9 10 13 14 18 20 25 29 36 40 51 57 72 81 "
    "102 114 144 161 203 228 287 323 406 456"
).split()  # one and two thirds past each full mark, from f/1.1

FULL_SPEEDS = (
    "1/8000 1/4000 1/2000 1/1000 1/500 1/250 1/125 1/60 1/30 1/15 1/8 1/4 1/2 "
    "1 2 4 8 15 30 60 120 240"
).split()  # 2^-13 s … 2^8 s

FASTEST_FULL_POWER = -13

HALF_SPEEDS = (
    "1/6000 1/3000 1/1500 1/750 1/350 1/180 1/90 1/45 1/20 1/10 1/6 0.3 0.7 1.5 3 6 10 20 45 90"
).split()  # 2^-12.5 s … 2^6.5 s, one stop apart

FASTEST_HALF_POWER = -12.5

THIRD_SPEEDS = (
    "1/6400 1/5000 1/3200 1/2500 1/1600 1/1250 1/800 1/640 1/400 1/320 1/200 1/160 1/100 1/80 "
    "1/50 1/40 1/25 1/20 1/13 1/10 1/6 1/5 1/3 0.4 0.6 0.8 1.3 1.6 2.5 3.2 5 6 10 13 20 25 40 50"
).split()  # one and two thirds past each full mark, from 2^(-13 + 1/3) s

OLD_LEAF_SPEEDS = "1/400 1/200 1/100 1/50 1/25 1/10 1/5 1/2 1".split()  # literal, from memory

UNIFORM_MARKS = 17  # 1, 2, 4 … 65536, each a stop; 16 is f/16 (from memory)
CONTINENTAL_APERTURES = "3.2 4.5 6.3 9 12.5 18 25 36 50 71 100".split()  # as engraved (from memory)
