#!/usr/bin/env python3
"""Holds the notes of MusicXML scores against those that another reader finds in them.

usage: tools/compare-musicxml2ly.py ./flourish SCORE...

Needs musicxml2ly and lilypond (Debian package lilypond) on the path. Each sounding note of every voice is its moment, in
whole notes, and its pitch; unisons count once. Left out on both sides: repeats (the other reader nests those without a
beginning), grace notes (each reader takes their time from elsewhere) and chord symbols (it plays them). One line a score.
"""
import json
import os
import re
import struct
import subprocess
import sys
import tempfile


def variable(body, i):
    value = 0
    while True:
        value = value << 7 | body[i] & 127
        i += 1
        if body[i - 1] < 128:
            return value, i


def track(body, ticks):
    i = now = status = 0
    while i < len(body):
        wait, i = variable(body, i)
        now += wait
        if body[i] & 128:
            status = body[i]
            i += 1
        if status >= 0xF0:
            i += status == 0xFF
            length, i = variable(body, i)
            i += length
        elif status & 0xF0 in (0xC0, 0xD0):
            i += 1
        else:
            if status & 0xF0 == 0x90 and body[i + 1]:
                yield round(now / ticks / 4, 3), body[i]
            i += 2


def midi(path):
    with open(path, 'rb') as file:
        data = file.read()
    ticks = struct.unpack('>H', data[12:14])[0]
    at, notes = 14, set()
    while at < len(data):
        size = struct.unpack('>I', data[at + 4:at + 8])[0]
        notes |= set(track(data[at + 8:at + 8 + size], ticks))
        at += 8 + size
    return notes


def theirs(score, folder):
    page = os.path.join(folder, 'score.ly')
    subprocess.run(['musicxml2ly', '-m', '-a', '--no-beaming', '-o', page, score], check=True, capture_output=True)
    with open(page, encoding='utf-8') as file:
        text = file.read()
    text = re.sub(r'\\(acciaccatura|appoggiatura|grace|slashedGrace)\s*(\{[^}]*\}|<[^>]*>\S*|\S+)', '', text)
    text = re.sub(r'.*\\context ChordNames.*\n', '', text)
    # It writes one score to print and one to hear, whose parts follow one another: the first is heard here.
    second = [m.start() for m in re.finditer(r'^\\score', text, re.M)][1]
    with open(page, 'w', encoding='utf-8') as file:
        file.write(text[:second].replace('\\layout {}', '\\midi {}'))
    subprocess.run(['lilypond', '-s', '--loglevel=ERROR', '-o', os.path.join(folder, 'score'), page], capture_output=True)
    return midi(os.path.join(folder, 'score.midi'))


def ours(flourish, score):
    notes, voice = set(), 0
    while True:
        voice += 1
        done = subprocess.run([flourish, 'perform', score, '--json', '--tempo', '1/1=60', '--voice', str(voice)], capture_output=True, text=True)
        if done.returncode:
            return notes
        notes |= {(round(e['atMs'] / 1000, 3), e['midi']) for e in json.loads(done.stdout)['events'] if e['role'] == 'melody'}
        if 'voices: ' not in done.stderr:
            return notes


def without(some, others):
    """Those that the others have not, give or take the rounding."""
    return sorted((at, pitch) for at, pitch in some if not any((round(at + d / 1000, 3), pitch) in others for d in range(-2, 3)))


def main():
    for score in sys.argv[2:]:
        with tempfile.TemporaryDirectory() as folder:
            plain = os.path.join(folder, 'plain.xml')
            with open(score, encoding='utf-8-sig') as file:
                text = file.read().replace('encoding="UTF-16"', 'encoding="UTF-8"', 1)
            with open(plain, 'w', encoding='utf-8') as file:
                file.write(re.sub(r'<(repeat|ending)\b[^>]*/>|<ending\b[^>]*>[^<]*</ending>', '', text))
            mine, other = ours(sys.argv[1], plain), theirs(plain, folder)
        print(os.path.basename(score), len(mine), len(other), 'only here:', without(mine, other)[:5], 'only there:', without(other, mine)[:5], flush=True)


if __name__ == '__main__':
    main()
