"""The demo's photos, drawn by code: a week aboard a narrowboat. Each scene is an SVG of its picture's shape."""

from __future__ import annotations

import math
import random
from collections.abc import Callable
from dataclasses import dataclass

from ulna.demo.brush import (
    box,
    bricks,
    disc,
    drops,
    foliage,
    hills,
    line,
    oval,
    path,
    reeds,
    ripples,
    round_shade,
    shade,
    svg,
)


@dataclass(frozen=True, slots=True)
class Scene:
    """A photo to be: its name, the units it is drawn in, when it was taken, how it is drawn, where its heart is,
    and how many pixels it has for each unit; faces by their middle and height, and what the camera's owner wrote."""

    name: str
    width: int
    height: int
    taken: str
    draw: Callable[[], str]
    focal: tuple[float, float] | None
    sharpness: float = 0.75
    faces: tuple[tuple[float, float, float], ...] = ()
    caption: str = ""


def _heron() -> str:
    w, h, dice = 1600, 2400, random.Random(1)
    bird = (
        line("M770 1610L760 1880M836 1606L846 1890", "#6d6a55", 13)
        + path(
            "M560 1500Q640 1300 850 1290Q960 1300 970 1400Q960 1560 790 1620Q640 1640 480 1720Q510 1600 560 1500Z",
            "#75848f",
        )
        + path("M560 1500Q700 1380 900 1400Q850 1540 660 1590Q560 1620 480 1720Q510 1600 560 1500Z", "#55646f")
        + line("M910 1360Q1010 1260 930 1130Q860 1010 950 900Q990 850 1050 860", "#c9d0d2", 66)
        + line("M930 1350Q1020 1250 950 1130Q890 1020 960 920", "#aab4ba", 22)
        + oval(1056, 856, 62, 44, "#d9dede")
        + path("M1010 836Q1060 806 1100 836Q1000 850 900 900Q940 850 1010 836Z", "#2c343c")
        + path("M1100 846L1330 892L1100 880Z", "#d9a441")
        + disc(1076, 846, 9, "#1d1d1d")
        + line("M1066 1420q-40 100 -20 190", "#c9d0d2", 10, 'opacity="0.6"')
    )
    return svg(
        w,
        h,
        box(0, 0, w, 1500, "url(#sky)")
        + disc(1180, 640, 190, "#ffe9c4", 'filter="url(#glow)"')
        + disc(1180, 640, 92, "#fff4dd", 'filter="url(#soft)"')
        + hills(dice, w, 1240, 330, "#9db0a8", 'filter="url(#far)" opacity="0.7"')
        + hills(dice, w, 1300, 190, "#6f887c", 'filter="url(#soft)"')
        + box(0, 1280, w, 1120, "url(#water)")
        + oval(1180, 1480, 150, 200, "#fff1d6", 'filter="url(#glow)" opacity="0.7"')
        + ripples(dice, 0, 1300, w, 1100, "#fff6e6", 170)
        + f'<g transform="translate(0 3770) scale(1 -1)" opacity="0.28" filter="url(#soft)">{bird}</g>'
        + reeds(dice, 0, 1700, 380, 900, ["#7c8a5a", "#94985f"], 60)
        + bird
        + ripples(dice, 560, 1850, 500, 120, "#ffffff", 26)
        + reeds(dice, -60, 2460, 620, 1180, ["#39452f", "#4d5a38", "#5f6a3f"], 110)
        + reeds(dice, 1180, 2460, 480, 820, ["#39452f", "#4d5a38"], 70),
        shade("sky", (0, "#8fb0bb"), (0.5, "#f0d9bd"), (1, "#f7e7d0"))
        + shade("water", (0, "#e9d8bf"), (0.4, "#a9bab6"), (1, "#4d6468")),
    )


def _lock() -> str:
    w, h, dice = 2400, 1600, random.Random(2)
    red = ["#8a4a3a", "#9a5744", "#7b4334", "#a4634e"]
    gates = "".join(box(930 + k * 45, 560, 40, 560, "#3d3630" if k % 3 else "#332d28") for k in range(12))
    spouts = "".join(
        path(
            f"M{x} 700q{dice.uniform(-20, 20):.0f} 240 {dice.uniform(-30, 30):.0f} 430h26q-10 -230 10 -430Z",
            "#eef4f4",
            'opacity="0.75"',
        )
        for x in (1010, 1180, 1330)
    )
    return svg(
        w,
        h,
        box(0, 0, w, 700, "url(#sky)")
        + hills(dice, w, 560, 240, "#8aa08a", 'filter="url(#soft)"')
        + foliage(dice, 380, 330, 420, 300, ["#8fa65e", "#6f8a4a", "#4f6b3c"], 340)
        + foliage(dice, 2080, 300, 380, 300, ["#9bb065", "#7a9450", "#567240"], 320)
        + box(0, 560, w, 120, "#8f9a5c")
        + bricks(0, 640, 900, 960, 46, red, dice)
        + bricks(1500, 640, 900, 960, 46, red, dice)
        + box(0, 610, 900, 44, "#cfc7b6")
        + box(1500, 610, 900, 44, "#cfc7b6")
        + gates
        + box(900, 540, 600, 34, "#4a423a")
        + box(900, 800, 600, 26, "#51483f")
        + spouts
        + box(900, 1110, 600, 490, "url(#deep)")
        + ripples(dice, 900, 1120, 600, 420, "#ffffff", 90)
        + "".join(
            disc(1000 + k * 46, 1130 + dice.uniform(-10, 26), dice.uniform(18, 40), "#ffffff", 'opacity="0.55"')
            for k in range(10)
        )
        + path("M900 560L300 470v62L900 606Z", "#26231f")
        + path("M430 486L300 470v62L430 552Z", "#f4f1ea")
        + path("M1500 560L2100 470v62L1500 606Z", "#26231f")
        + path("M1970 486L2100 470v62L1970 552Z", "#f4f1ea")
        + path("M1010 1600Q1040 1290 1200 1230Q1360 1290 1390 1600Z", "#23504a")
        + path("M1100 1600Q1120 1360 1200 1300Q1280 1360 1300 1600Z", "#b03a2e")
        + disc(1200, 1440, 46, "#e7c25a")
        + path("M1200 1404l10 26h27l-22 17 9 27-24-17-24 17 9-27-22-17h27Z", "#fff4d8")
        + line("M720 620v-120M720 520h70", "#1f1f1f", 14)
        + line("M1690 620v-120M1690 520h-70", "#1f1f1f", 14),
        shade("sky", (0, "#9cc3d8"), (1, "#e4eef0")) + shade("deep", (0, "#51645a"), (1, "#22312d")),
    )


def _gear(x: float, y: float, r: float, teeth: int, colour: str, hole: str) -> str:
    points = []
    for k in range(teeth * 4):
        a = math.tau * k / (teeth * 4)
        reach = r if k % 4 < 2 else r * 0.86
        points.append(f"{x + math.cos(a) * reach:.1f} {y + math.sin(a) * reach:.1f}")
    ring = disc(x, y, r * 0.62, "none", f'stroke="#00000033" stroke-width="{r * 0.07:.1f}"')
    holes = "".join(
        disc(x + math.cos(math.tau * k / 5) * r * 0.46, y + math.sin(math.tau * k / 5) * r * 0.46, r * 0.1, hole)
        for k in range(5)
    )
    return path(f"M{' L'.join(points)}Z", colour) + ring + holes + disc(x, y, r * 0.22, hole)


def _engine() -> str:
    w, h, dice = 2400, 1600, random.Random(3)
    cloth = "#d8cdb6"
    weave = "".join(box(k * 60, 0, 26, h, "#b9c4c0", 'opacity="0.5"') for k in range(41))
    weave += "".join(box(0, k * 60, w, 26, "#b9c4c0", 'opacity="0.5"') for k in range(27))
    pistons = "".join(
        f'<g transform="translate({330 + k * 300} 360) rotate({turn})">'
        + box(-86, -150, 172, 190, "url(#steel)", 'rx="16"')
        + "".join(box(-90, -126 + n * 34, 180, 12, "#4c5257") for n in range(3))
        + box(-34, 30, 68, 290, "#8d9499", 'rx="20"')
        + disc(0, 330, 74, "#7d858a")
        + disc(0, 330, 42, cloth)
        + "</g>"
        for k, turn in enumerate((-7, 4, -3))
    )
    bolts = "".join(
        path(
            "M-26 -15L0 -30L26 -15V15L0 30L-26 15Z",
            "#6d5a3c",
            f'transform="translate({1330 + (k % 6) * 92} {1180 + (k // 6) * 96}) rotate({dice.uniform(0, 60):.0f})"',
        )
        + disc(1330 + (k % 6) * 92, 1180 + (k // 6) * 96, 12, "#3f3424")
        for k in range(18)
    )
    spanner = (
        '<g transform="translate(560 1290) rotate(-16)">'
        + box(-340, -34, 680, 68, "url(#steel)", 'rx="30"')
        + path("M330 -96Q460 -110 470 -40L400 -30V30L470 40Q460 110 330 96Z", "#9aa2a7")
        + path("M-330 -84Q-450 -90 -456 -34L-396 -26V26L-456 34Q-450 90 -330 84Z", "#9aa2a7")
        + "</g>"
    )
    stains = "".join(
        oval(
            dice.uniform(200, 2200),
            dice.uniform(200, 1400),
            dice.uniform(40, 150),
            dice.uniform(30, 90),
            "#4a3d2b",
            'opacity="0.16" filter="url(#soft)"',
        )
        for _ in range(9)
    )
    hose = line("M1900 200C2260 240 2280 520 2040 560S1780 800 2020 900S2330 1080 2140 1320", "#26292c", 58)
    hose += line("M1900 200C2260 240 2280 520 2040 560S1780 800 2020 900S2330 1080 2140 1320", "#4a4f54", 14)
    shadow = 'transform="translate(14 20)" opacity="0.3" filter="url(#soft)"'
    things = (
        pistons
        + _gear(1330, 420, 230, 22, "#a98a4a", cloth)
        + _gear(1690, 620, 150, 15, "#8d9499", cloth)
        + _gear(1480, 830, 118, 12, "#6d5a3c", cloth)
    )
    things += spanner + bolts + hose
    things += box(1180, 1090, 24, 380, "#b03a2e", 'rx="12" transform="rotate(9 1190 1280)"')
    return svg(
        w,
        h,
        box(0, 0, w, h, cloth)
        + weave
        + stains
        + f"<g {shadow}>{things}</g>"
        + things
        + box(0, 0, w, h, "url(#lamp)"),
        shade("steel", (0, "#c9cfd2"), (0.5, "#9aa2a7"), (1, "#737b80"))
        + round_shade("lamp", (0, "#fff2d0", 0.28), (0.7, "#000000", 0.02), (1, "#1d140a", 0.4)),
    )


def _market() -> str:
    w, h, dice = 2400, 1600, random.Random(4)
    out = [box(0, 0, w, 900, "url(#sky)")]
    for k, colour in enumerate(("#c9b79c", "#b98b6d", "#d8cbb2", "#a9927a", "#c4a183")):
        x, high = k * 490 - 30, 520 + 70 * (k % 3)
        out.append(box(x, 900 - high, 480, high, colour))
        out.append(path(f"M{x - 14} {900 - high}L{x + 240} {900 - high - 150}L{x + 494} {900 - high}Z", "#6b5648"))
        for n in range(6):
            wx, wy = x + 60 + (n % 3) * 140, 900 - high + 70 + (n // 3) * 190
            out.append(box(wx, wy, 76, 112, "#4c5f66"))
            out.append(line(f"M{wx + 38} {wy}v112M{wx} {wy + 52}h76", "#efe8da", 8))
    out.append(box(0, 880, w, 720, "url(#stones)"))
    for row in range(9):
        for k in range(26):
            stone = k * 98 + (row % 2) * 49 + dice.uniform(-6, 6)
            out.append(oval(stone, 1110 + row * 56, 44, 20, "#8b8378", f'opacity="{dice.uniform(0.2, 0.6):.2f}"'))
    flags = ["#b03a2e", "#e2b44a", "#2f6f68", "#f4efe4", "#4a6a8a"]
    for k in range(30):
        sag = 170 + 70 * math.sin(math.pi * (k * 84 % 840) / 840)
        out.append(path(f"M{k * 84} {sag:.0f}h70l-35 88Z", flags[k % 5]))
    out.append(line("M0 168q420 150 840 0t840 0t840 0", "#5a5048", 7))
    for k, (one, two) in enumerate((("#b03a2e", "#f7f0e2"), ("#2f6f68", "#f7f0e2"), ("#d9a441", "#f7f0e2"))):
        x = 90 + k * 780
        for n in range(9):
            d = f"M{x + n * 72} 620h72l{(n - 3.5) * 5:.0f} 150q-36 44 -72 0Z"
            out.append(path(d, one if n % 2 else two))
        out.append(box(x + 14, 760, 16, 420, "#5d4a38") + box(x + 614, 760, 16, 420, "#5d4a38"))
        out.append(box(x - 10, 1020, 670, 190, "#8a6a48"))
        out.append(box(x - 10, 1020, 670, 26, "#a98458"))
        for n in range(4):
            cx = x + 22 + n * 160
            out.append(box(cx, 930, 140, 96, "#6f5436"))
            fruit = (
                ("#e08a2e", "#c8641f"),
                ("#b8352d", "#8f2721"),
                ("#8aa548", "#6a8636"),
                ("#e7c25a", "#c99f38"),
            )[(n + k) % 4]
            for m in range(13):
                out.append(disc(cx + 14 + (m % 5) * 28 + (m // 5) * 8, 928 - (m // 5) * 24, 19, fruit[m % 2]))
    foot = 1500
    for at, coat, tall in (
        (690, "#37475a", 1.0),
        (1480, "#7b3b4b", 0.92),
        (1590, "#c9a23e", 0.6),
        (2240, "#4f5b46", 1.0),
    ):
        s = 640 * tall
        out.append(oval(at, foot, 110 * tall, 20, "#000000", 'opacity="0.25"'))
        out.append(
            path(
                f"M{at - 95 * tall:.0f} {foot}Q{at - 120 * tall:.0f} {foot - s * 0.62:.0f} {at:.0f} {foot - s * 0.72:.0f}Q{at + 120 * tall:.0f} {foot - s * 0.62:.0f} {at + 95 * tall:.0f} {foot}Z",
                coat,
            )
        )
        out.append(disc(at, foot - s * 0.82, 62 * tall + 12, "#e0b48f"))
        out.append(
            path(
                f"M{at - 70 * tall:.0f} {foot - s * 0.86:.0f}a{70 * tall:.0f} {76 * tall:.0f} 0 0 1 {140 * tall:.0f} 0Z",
                "#54402e",
            )
        )
    return svg(
        w,
        h,
        "".join(out),
        shade("sky", (0, "#7fb2cf"), (1, "#f2e6d2")) + shade("stones", (0, "#b5ab9c"), (1, "#7d756b")),
    )


def _rain() -> str:
    w, h, dice = 1600, 2400, random.Random(5)
    lights = "".join(
        disc(
            dice.uniform(60, w - 60),
            dice.uniform(300, 1500),
            dice.uniform(30, 120),
            c,
            'filter="url(#glow)" opacity="0.75"',
        )
        for c in ("#f2c46a", "#f0a850", "#dfe7e6", "#f2c46a", "#b5d0cf", "#f0a850")
    )
    return svg(
        w,
        h,
        box(0, 0, w, h, "url(#dusk)")
        + hills(dice, w, 1500, 420, "#2c3d42", 'filter="url(#far)"')
        + box(0, 1480, w, 920, "#33474c")
        + lights
        + oval(540, 1760, 130, 420, "#f0b860", 'filter="url(#glow)" opacity="0.5"')
        + ripples(dice, 0, 1500, w, 800, "#e9d9b8", 90)
        + drops(dice, w, h, 330)
        + box(0, 0, w, 70, "#5b4630")
        + box(0, 0, 80, h, "#6b5338")
        + box(w - 80, 0, 80, h, "#59432c")
        + box(0, 1180, w, 46, "#644d34")
        + box(0, 2120, w, 280, "#7a5f40")
        + box(0, 2120, w, 26, "#93754f")
        + path("M980 1900h250q0 230 -30 240h-190q-30 -10 -30 -240Z", "#d8d2c2")
        + line("M1228 1940q110 0 100 80t-120 70", "#d8d2c2", 30)
        + box(990, 1960, 230, 30, "#2f6f68")
        + "".join(
            line(
                f"M{1050 + k * 60} 1880q-40 -90 10 -170t-10 -170",
                "#ffffff",
                16,
                'opacity="0.22" filter="url(#soft)"',
            )
            for k in range(3)
        )
        + path("M280 2130q20 -330 160 -330t160 330Z", "#a0522d")
        + foliage(dice, 440, 1640, 170, 190, ["#88a35a", "#5f7f42", "#446033"], 90)
        + "".join(
            disc(440 + dice.uniform(-150, 150), 1640 + dice.uniform(-170, 120), 26, "#d0483c") for _ in range(9)
        ),
        shade("dusk", (0, "#5f7f8c"), (0.6, "#4a636b"), (1, "#2a3a3f")),
    )


def _cat() -> str:
    w = h = 2000
    dice = random.Random(6)
    flowers = "".join(
        "".join(oval(0, -30, 18, 30, c, f'transform="translate({x} {y}) rotate({k * 72})"') for k in range(5))
        + disc(x, y, 13, "#f4d35e")
        for x, y, c in (
            (1390, 1180, "#f4efe4"),
            (1520, 1260, "#d0483c"),
            (1430, 1370, "#f4efe4"),
            (1560, 1400, "#e2b44a"),
        )
    )
    fur = "".join(
        line(
            f"M{x} {y}q{dice.uniform(-20, 20):.0f} 40 {dice.uniform(-10, 10):.0f} 84",
            "#b5622a",
            15,
            'opacity="0.65"',
        )
        for x, y in ((640, 1160), (720, 1120), (800, 1110), (610, 1300), (690, 1290), (900, 1170), (840, 1280))
    )
    return svg(
        w,
        h,
        box(0, 0, w, 1300, "url(#bank)")
        + foliage(dice, 500, 420, 700, 360, ["#b5c47c", "#8fa95c", "#6b8748"], 420)
        + foliage(dice, 1600, 380, 520, 330, ["#c2cd86", "#97b062", "#718d4c"], 320)
        + f'<g filter="url(#soft)">{hills(dice, w, 820, 120, "#5f7a48")}</g>'
        + box(0, 800, w, 860, "url(#water)")
        + ripples(dice, 0, 810, w, 760, "#f4f4e4", 150)
        + path("M0 1620Q1000 1480 2000 1560V2000H0Z", "#23504a")
        + path("M0 1620Q1000 1480 2000 1560v40Q1000 1520 0 1662Z", "#c9a23e")
        + oval(800, 1600, 420, 50, "#10201d", 'opacity="0.5" filter="url(#soft)"')
        + path(
            "M1080 1560q220 60 250 -90t-120 -140",
            "none",
            'stroke="#cf7a38" stroke-width="76" stroke-linecap="round"',
        )
        + path("M520 1590Q480 1250 640 1080Q800 960 960 1080Q1120 1260 1090 1590Z", "#d9853f")
        + fur
        + path("M650 1590Q640 1400 740 1330Q840 1290 880 1400Q930 1520 900 1590Z", "#f2e3cf")
        + oval(800, 930, 226, 196, "#d9853f")
        + path("M600 850L590 640L750 760ZM1000 850L1014 640L850 760Z", "#d9853f")
        + path("M622 806L620 690L712 762ZM978 806L984 690L888 762Z", "#eeb49a")
        + oval(800, 1000, 112, 84, "#f6ead8")
        + oval(712, 910, 34, 40, "#6f9a3c")
        + oval(888, 910, 34, 40, "#6f9a3c")
        + oval(712, 910, 11, 36, "#14160f")
        + oval(888, 910, 11, 36, "#14160f")
        + path("M776 972h48l-24 28Z", "#c8685a")
        + line("M800 1000v26q-30 34 -66 14M800 1026q30 34 66 14", "#8a4a2a", 7)
        + "".join(
            line(f"M{800 + s * 90} {1000 + k * 22}l{s * 200} {-30 + k * 34}", "#fff8ec", 4)
            for s in (-1, 1)
            for k in range(3)
        )
        + line("M700 770q30 -40 60 0M780 760v44M840 770q30 -40 60 0", "#b5622a", 14)
        + path("M1290 1070L1340 1580Q1480 1620 1620 1580L1670 1070Z", "#b03a2e")
        + oval(1480, 1070, 190, 40, "#7e241c")
        + box(1300, 1100, 366, 34, "#e2b44a")
        + flowers,
        shade("bank", (0, "#dfe9d0"), (1, "#8fa96a")) + shade("water", (0, "#a9bf9a"), (1, "#5e7d78")),
    )


def _boat() -> str:
    w, h, dice = 2400, 1600, random.Random(7)
    portholes = "".join(
        disc(860 + k * 190, 880, 52, "#f4d88a")
        + disc(860 + k * 190, 880, 52, "none", 'stroke="#c9a23e" stroke-width="16"')
        for k in range(6)
    )
    hull = (
        path("M330 930L2090 930L2150 1060H2010L1990 1080H420Q330 1040 300 960Z", "#20262b")
        + path("M560 760H1990V960H540Z", "#23504a")
        + box(590, 800, 1370, 130, "#9e2b25")
        + box(590, 800, 1370, 14, "#e2b44a")
        + box(590, 916, 1370, 14, "#e2b44a")
        + portholes
        + box(545, 742, 1460, 26, "#39433f")
        + box(1600, 590, 46, 160, "#20262b")
        + box(1588, 600, 70, 20, "#c9a23e")
        + box(1588, 640, 70, 20, "#c9a23e")
        + path("M980 742q10 -90 90 -90t90 90Z", "#4a6a8a")
        + box(1230, 690, 130, 52, "#8a6a48")
        + line("M2010 760l170 -70", "#c9a23e", 20)
    )
    smoke = "".join(
        oval(
            1623 - k * 46,
            540 - k * 56,
            40 + k * 20,
            34 + k * 13,
            "#f7efe2",
            f'opacity="{0.5 - k * 0.05:.2f}" filter="url(#far)"',
        )
        for k in range(9)
    )
    return svg(
        w,
        h,
        box(0, 0, w, 1060, "url(#sky)")
        + disc(420, 560, 260, "#ffdf9e", 'filter="url(#glow)"')
        + disc(420, 600, 120, "#fff0c9", 'filter="url(#soft)"')
        + hills(dice, w, 900, 330, "#7d6f86", 'filter="url(#soft)" opacity="0.8"')
        + foliage(dice, 2080, 560, 420, 330, ["#8d6a3f", "#6b5436", "#4a3f2e"], 360)
        + box(0, 890, w, 90, "#5b5a3a")
        + smoke
        + box(0, 1040, w, 560, "url(#water)")
        + f'<g transform="translate(0 2110) scale(1 -1)" opacity="0.45" filter="url(#soft)">{hull}</g>'
        + hull
        + oval(420, 1280, 140, 240, "#ffe2a6", 'filter="url(#glow)" opacity="0.7"')
        + ripples(dice, 0, 1080, w, 500, "#fff0d2", 200)
        + reeds(dice, 0, 1640, 420, 420, ["#3b3a26", "#504b2c"], 60)
        + reeds(dice, 2000, 1640, 420, 340, ["#3b3a26", "#504b2c"], 60),
        shade("sky", (0, "#6c86a8"), (0.55, "#f0b184"), (1, "#fbd9a0"))
        + shade("water", (0, "#d99f72"), (0.5, "#8a7480"), (1, "#3a4456")),
    )


def _tiller() -> str:
    w, h, dice = 1600, 2400, random.Random(8)
    return svg(
        w,
        h,
        box(0, 0, w, 1200, "url(#sky)")
        + hills(dice, w, 1020, 260, "#a4b59a", 'filter="url(#far)"')
        + box(0, 980, w, 1420, "#6b8746")
        + path("M0 1000L700 960L0 1500Z", "#8fa65e")
        + path("M1600 1000L900 960L1600 1500Z", "#7a9450")
        + foliage(dice, 180, 760, 380, 420, ["#b9c97c", "#93ad5b", "#6b8746"], 330)
        + foliage(dice, 1450, 740, 360, 430, ["#c3d08a", "#9bb463", "#718d4c"], 330)
        + path("M700 960L900 960L1600 1520V2400H0V1520Z", "url(#water)")
        + ripples(dice, 100, 1000, 1400, 1000, "#ffffff", 130)
        + path("M560 960q240 -130 480 0v-40q-240 -130 -480 0Z", "#9a6a52")
        + path("M0 2050H1600V2400H0Z", "#20403c")
        + box(0, 2040, w, 34, "#c9a23e")
        + line("M1240 2100L930 1630", "#c9a23e", 34)
        + line("M930 1630l-80 -20", "#f4efe4", 40)
        + path("M480 2200Q470 1640 640 1500Q800 1420 950 1510Q1090 1660 1080 2200Z", "#e5b52f")
        + path("M760 1500q-10 360 20 700", "none", 'stroke="#c2921f" stroke-width="14"')
        + path("M1000 1600q90 -20 -60 60", "none", 'stroke="#e5b52f" stroke-width="110" stroke-linecap="round"')
        + disc(884, 1636, 44, "#e8bd98")
        + path("M560 1390Q560 1160 780 1150Q1000 1160 1000 1390Q1000 1560 780 1570Q560 1560 560 1390Z", "#edc03a")
        + path("M620 1500q160 90 320 0", "none", 'stroke="#c2921f" stroke-width="16"')
        + path("M560 1390Q560 1160 780 1150", "none", 'stroke="#f8dc7c" stroke-width="18"'),
        shade("sky", (0, "#8fbdd6"), (1, "#eef2e6")) + shade("water", (0, "#c9d8cf"), (1, "#44625f")),
    )


def _stove() -> str:
    w = h = 1500
    dice = random.Random(9)
    tiles = "".join(
        box(
            60 + (k % 7) * 200,
            40 + (k // 7) * 200,
            188,
            188,
            ("#e9e2d2", "#dfe7e2", "#e9e2d2", "#d3dfe4")[(k * 5 + k // 7) % 4],
        )
        + (
            path(f"M{154 + (k % 7) * 200} {84 + (k // 7) * 200}l50 50-50 50-50-50Z", "#4a6a8a", 'opacity="0.8"')
            if k % 3 == 0
            else ""
        )
        for k in range(28)
    )
    return svg(
        w,
        h,
        box(0, 0, w, h, "#b9ae9a")
        + tiles
        + box(260, 880, 980, 620, "#23262a", 'rx="30"')
        + box(220, 830, 1060, 80, "#33383d", 'rx="20"')
        + box(430, 1010, 640, 380, "#111315", 'rx="24"')
        + box(460, 1040, 580, 320, "url(#fire)", 'rx="16"')
        + "".join(
            path(
                f"M{520 + k * 80} 1360q{dice.uniform(-40, 10):.0f} -150 {dice.uniform(10, 50):.0f} -{dice.uniform(160, 270):.0f}q40 120 30 {dice.uniform(160, 270):.0f}Z",
                c,
                'opacity="0.85" filter="url(#soft)"',
            )
            for k, c in enumerate(("#ffb347", "#ff8c2e", "#ffd27a", "#ff9d3c", "#ffc45e", "#ff8c2e"))
        )
        + disc(750, 1200, 420, "#ff9d3c", 'opacity="0.18" filter="url(#glow)"')
        + path("M470 830Q450 540 640 510H800Q990 540 970 830Z", "#2f6f68")
        + path("M470 830Q450 540 640 510Q560 600 560 830Z", "#4a8f87")
        + path("M950 640Q1080 600 1120 500L1160 520Q1140 700 968 740Z", "#2f6f68")
        + path("M560 520Q720 260 880 520", "none", 'stroke="#20262b" stroke-width="34" stroke-linecap="round"')
        + oval(720, 510, 130, 26, "#23504a")
        + disc(720, 476, 28, "#c9a23e")
        + "".join(
            line(
                f"M{1150 + k * 26} {470 - k * 20}q50 -90 -10 -170t30 -170",
                "#ffffff",
                22,
                'opacity="0.4" filter="url(#soft)"',
            )
            for k in range(3)
        )
        + path("M1040 690h200q4 130 -30 140h-140q-34 -10 -30 -140Z", "#f4efe4", 'transform="translate(60 0)"')
        + box(1100, 730, 200, 24, "#b03a2e"),
        shade("fire", (0, "#52180a"), (1, "#ff7a1e")),
    )


def _bridge() -> str:
    w, h, dice = 2400, 1600, random.Random(10)
    red = ["#a4634e", "#b0705a", "#96563f", "#bb8069"]
    arch = '<clipPath id="wall"><path d="M0 250Q1200 60 2400 250V900H1780Q1760 420 1200 400Q640 420 620 900H0Z"/></clipPath>'
    wall = f'<g clip-path="url(#wall)">{bricks(0, 60, w, 860, 44, red, dice)}</g>'
    ring = "".join(
        f'<rect x="-18" y="-66" width="36" height="62" fill="{dice.choice(("#c99a80", "#b98870"))}" stroke="#7d6a5e" stroke-width="3" '
        f'transform="translate({1200 + math.cos(a) * 578:.1f} {910 - math.sin(a) * 508:.1f}) rotate({90 - math.degrees(a):.1f})"/>'
        for a in (math.pi * k / 46 for k in range(47))
    )
    under = (
        box(560, 380, 1280, 560, "url(#through)")
        + foliage(dice, 1200, 640, 560, 260, ["#c8d68c", "#a3bf68", "#7a9a50"], 330)
        + path("M620 900L1080 840H1320L1780 900Z", "#c3bf9e")
    )
    top = under + wall + ring + path("M0 250Q1200 60 2400 250v-40Q1200 20 0 210Z", "#d8cfbe")
    return svg(
        w,
        h,
        box(0, 0, w, 900, "url(#sky)")
        + foliage(dice, 160, 200, 380, 240, ["#a9bf6c", "#87a352", "#67823f"], 200)
        + foliage(dice, 2260, 210, 380, 240, ["#a9bf6c", "#87a352", "#67823f"], 200)
        + top
        + box(0, 896, w, 704, "url(#water)")
        + f'<g transform="translate(0 1800) scale(1 -1)" opacity="0.55" filter="url(#soft)">{top}</g>'
        + box(0, 896, w, 704, "#3d5653", 'opacity="0.28"')
        + ripples(dice, 0, 910, w, 680, "#f4f4e4", 220)
        + reeds(dice, 0, 960, 560, 190, ["#6f8a4a", "#8fa65e"], 90)
        + reeds(dice, 1840, 960, 560, 190, ["#6f8a4a", "#8fa65e"], 90),
        arch
        + shade("sky", (0, "#9fc6da"), (1, "#e9f0ea"))
        + shade("water", (0, "#9fb5a6"), (1, "#3a524f"))
        + shade("through", (0, "#dfeee6"), (1, "#b9cf9a")),
    )


SCENES = (
    Scene(
        "Heron at first light",
        1600,
        2400,
        "2026-03-07T06:41:12",
        _heron,
        (0.62, 0.42),
        caption="Our pilot, eleven minutes past sunrise",
    ),
    Scene("Down through the lock", 2400, 1600, "2026-03-07T10:15:40", _lock, (0.5, 0.85)),
    Scene("Engine in pieces", 2400, 1600, "2026-03-08T14:02:05", _engine, (0.5, 0.45)),
    Scene("Rivet on the roof", 2000, 2000, "2026-03-08T16:30:00", _cat, (0.4, 0.47), faces=((0.4, 0.47, 0.24),)),
    Scene("Rain on the roof", 1600, 2400, "2026-03-09T18:20:31", _rain, (0.6, 0.82)),
    Scene("Kettle on", 1500, 1500, "2026-03-09T18:44:10", _stove, (0.48, 0.45), sharpness=0.45),
    Scene(
        "Pip at the tiller", 1600, 2400, "2026-03-10T11:05:55", _tiller, (0.49, 0.6), faces=((0.4875, 0.567, 0.27),)
    ),
    Scene("Bridge 62", 2400, 1600, "2026-03-10T11:48:20", _bridge, None),
    Scene("Wharf market", 2400, 1600, "2026-03-14T09:55:03", _market, (0.35, 0.6)),
    Scene("Moored for the night", 2400, 1600, "2026-03-14T18:12:47", _boat, (0.5, 0.55)),
)
