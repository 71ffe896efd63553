#!/usr/bin/env bash
# Builds the program twice, each time from a fresh copy of what is committed, and compares the jars byte by byte.
set -eu
cd "$(dirname "$0")/../.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
commit=$(git rev-parse HEAD)
for build in first second; do
  git clone -q . "$work/$build/wild-flourish"
  git -C "$work/$build/wild-flourish" checkout -q --detach "$commit"
  (cd "$work/$build/wild-flourish" && mvn -B -ntp -q package -DskipTests)
  (cd "$work/$build/wild-flourish" && find . -name '*.jar' -path '*/target/*' | sort | xargs sha256sum) > "$work/$build.sums"
done
if diff "$work/first.sums" "$work/second.sums"; then
  echo "$(wc -l < "$work/first.sums") jars, the same in both builds"
else
  echo "the builds differ in the jars above" >&2
  exit 1
fi
