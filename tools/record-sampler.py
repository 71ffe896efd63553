#!/usr/bin/env python3
"""Plays a small tune by a sampler that has nothing to do with this program, unevenly, and keeps it with what was played and when: to measure hearing by.

Needs fluidsynth, the sound font FluidR3 GM (F. Wen, MIT licence), sox and flac, all of them Debian packages. With --measure also aubio's own tools (aubio-tools), whose onsets and
notes of the same files are measured in the same way and printed: the table in docs/hearing.md.

    tools/record-sampler.py sound/src/test/resources/wildflourish/sound/sampler [--measure]
"""
import math
import pathlib
import random
import struct
import subprocess
import sys
import tempfile

FONT = "/usr/share/sounds/sf2/FluidR3_GM.sf2"
RATE = 16000
LEAD = 500
QUAVER = 200
UNEVEN = 12
# Degrees of D major above D4, and lengths in quavers: eight bars of 4/4.
TUNE = [(0, 3), (1, 1), (2, 3), (4, 1), (5, 3), (4, 1), (2, 2), (1, 2), (7, 4), (10, 3), (9, 1), (8, 2), (11, 2), (9, 4), (7, 3), (5, 1), (4, 3), (2, 1), (3, 2), (1, 2), (2, 2), (0, 2),
        (1, 3), (4, 1), (6, 3), (8, 1), (7, 4), (0, 4)]
MAJOR = [0, 2, 4, 5, 7, 9, 11]
# The instrument of this program, General MIDI's number from 0, and how much higher it sounds.
VOICES = [("whistle-d", 78, 12), ("flute-d", 73, 0), ("recorder-soprano-c", 74, 12), ("fiddle", 110, 0), ("accordion-bc", 21, 0), ("tenor-banjo", 105, -12), ("mandolin", 25, 0)]


def notes(higher):
    chance = random.Random(5)
    at = LEAD
    for degree, quavers in TUNE:
        pitch = 62 + higher + 12 * (degree // 7) + MAJOR[degree % 7]
        start = at + max(-30, min(30, chance.gauss(0, UNEVEN)))
        yield round(start), pitch, round(quavers * QUAVER * 0.97)
        at += quavers * QUAVER


def variable(value):
    out = [value & 0x7F]
    while value >> 7:
        value >>= 7
        out.append(value & 0x7F | 0x80)
    return bytes(reversed(out))


def midi(program, played):
    events = [(0, bytes([0xC0, program]))]
    for start, pitch, length in played:
        events += [(start, bytes([0x90, pitch, 90])), (start + length, bytes([0x80, pitch, 0]))]
    # A note ends before the next begins.
    events.sort(key=lambda e: (e[0], e[1][0] == 0x90))
    track = b"\x00\xff\x51\x03" + (500000).to_bytes(3, "big")
    now = 0
    for at, event in events:
        track += variable(at - now) + event
        now = at
    track += b"\x00\xff\x2f\x00"
    return b"MThd" + struct.pack(">IHHH", 6, 0, 1, 500) + b"MTrk" + struct.pack(">I", len(track)) + track


def f_measure(truth, told, near=0.05):
    left = list(told)
    right = 0
    for moment in truth:
        fellow = min(left, key=lambda t: abs(t - moment), default=math.inf)
        if abs(fellow - moment) <= near:
            right += 1
            left.remove(fellow)
    return 2 * right / max(1, len(truth) + len(told))


def run(*command):
    return subprocess.run(command, check=True, capture_output=True, text=True).stdout


def measure(name, flac, played):
    with tempfile.NamedTemporaryFile(suffix=".wav") as wav:
        run("sox", str(flac), wav.name)
        truth = [start / 1000 for start, _, _ in played]
        figures = {method: f_measure(truth, [float(line) for line in run("aubioonset", "-i", wav.name, "-O", method).split()]) for method in ("hfc", "specflux", "complex", "default")}
        found = [line.split() for line in run("aubionotes", "-i", wav.name).splitlines() if len(line.split()) == 3]
        with_pitch = [(float(start), float(pitch)) for pitch, start, _ in found]
        # Notes are told late by an even amount: the one that suits it best is taken off.
        right = max(sum(any(abs(start / 1000 + late - t) <= 0.05 and abs(pitch - p) <= 0.5 for t, p in with_pitch) for start, pitch, _ in played) for late in (i / 100 for i in range(30)))
        track = [tuple(map(float, line.split())) for line in run("aubiopitch", "-i", wav.name, "-u", "midi").splitlines()]
        pitches = 0
        for start, pitch, length in played:
            inside = sorted(p for t, p in track if start / 1000 + 0.06 < t < (start + length) / 1000 and p > 0)
            pitches += bool(inside) and abs(inside[len(inside) // 2] - pitch) <= 0.5
        print(name, " ".join(f"{m} {f:.3f}" for m, f in figures.items()), f"notes {2 * right / (len(played) + len(with_pitch)):.3f}", f"pitches {pitches / len(played):.3f}")


def main():
    folder = pathlib.Path(sys.argv[1])
    folder.mkdir(parents=True, exist_ok=True)
    for name, program, higher in VOICES:
        played = list(notes(higher))
        flac = folder / f"{name}.flac"
        with tempfile.TemporaryDirectory() as work:
            (pathlib.Path(work) / "tune.mid").write_bytes(midi(program, played))
            run("fluidsynth", "-ni", "-q", "-g", "0.6", "-r", "48000", "-F", f"{work}/tune.wav", FONT, f"{work}/tune.mid")
            run("sox", "-D", f"{work}/tune.wav", "-r", str(RATE), "-c", "1", f"{work}/mono.wav", "trim", "0", "13.2")
            run("flac", "-8", "-s", "-f", "-o", str(flac), f"{work}/mono.wav")
        (folder / f"{name}.tsv").write_text("".join(f"{start}\t{pitch}\n" for start, pitch, _ in played))
        if "--measure" in sys.argv:
            measure(name, flac, played)


main()
