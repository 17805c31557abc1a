#!/usr/bin/env bash
# Takes a picture of a command in a terminal window: scripts/terminal-shot.sh out.png 'command'
# Needs Debian's xvfb, xterm and imagemagick.
set -eu
out=$1
command=$2
Xvfb :97 -screen 0 1000x800x24 >/dev/null 2>&1 &
server=$!
trap 'kill $server' EXIT
sleep 1
DISPLAY=:97 xterm -geometry 104x46+0+0 -fa 'DejaVu Sans Mono' -fs 10 -bg '#14170f' -fg '#f0eee2' -b 12 -e bash -c "printf '\$ %s\n' \"$command\"; $command; sleep 30" &
sleep "${WAIT:-4}"
DISPLAY=:97 import -window root "$out"
