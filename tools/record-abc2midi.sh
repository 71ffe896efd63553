#!/usr/bin/env bash
# Records what abc2midi (Debian package abcmidi) plays for the reference tunes, so that tests need no package.
# Grace notes are left out of its playing (-NGRA) and fermatas have no length (-NFER): the bare performance has neither.
set -eu
cd "$(dirname "$0")/../formats/src/test/resources/abc2midi"
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
for file in *.abc; do
  cp "$file" "$work/book.abc"
  (cd "$work" && abc2midi book.abc -NGRA -NFER -quiet -silent >/dev/null 2>&1 || true)
  for midi in "$work"/*.mid; do
    number=$(basename "$midi" .mid | sed 's/^book//; s/^.*[^0-9]//')
    cp "$midi" "${file%.abc}-$number.mid"
    rm "$midi"
  done
done
ls -1 ./*.mid
