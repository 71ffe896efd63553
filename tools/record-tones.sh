#!/bin/sh
# Makes the compressed test tones of `sound` anew: a second of A at 440 Hz, by Debian's packages sox, flac and lame.
set -eu
out=$(dirname "$0")/../sound/src/test/resources/wildflourish/sound/hearing
sox -n -r 44100 -b 16 -c 1 "$out/a440.wav" synth 1 sine 440 vol 0.5
flac --silent --force "$out/a440.wav" -o "$out/a440.flac"
lame --quiet -b 64 "$out/a440.wav" "$out/a440.mp3"
rm "$out/a440.wav"
