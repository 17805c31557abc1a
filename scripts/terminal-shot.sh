#!/usr/bin/env bash
# Takes a picture of a command in a terminal window, as high as what it says: scripts/terminal-shot.sh out.png 'lattice …'
# `lattice` is the built command of this checkout. Needs Debian's xvfb, xterm and imagemagick.
set -eu
out=$(realpath "$1")
command=$2
root=$(realpath "$(dirname "$0")/..")
folder=$(mktemp -d)
printf '#!/usr/bin/env bash\nexec node %q "$@"\n' "$root/packages/tools/dist/node/cli.js" > "$folder/lattice"
chmod +x "$folder/lattice"
# The cursor is hidden, and what comes after the command is waited for.
cat > "$folder/run" <<RUN
printf '\e[?25l'
printf '\e[2m$\e[0m %s\n' "\$(cat "$folder/shown")"
source "$folder/command"
printf "\e[?25l"
touch "$folder/done"
sleep 60
RUN
printf '%s' "$command" > "$folder/command"
printf '%s' "${SHOWN:-$command}" > "$folder/shown"
Xvfb :97 -screen 0 1300x1600x24 >/dev/null 2>&1 &
server=$!
trap 'kill $server; rm -rf "$folder"' EXIT
sleep 1
PATH="$folder:$PATH" DISPLAY=:97 xterm -geometry "${COLUMNS_SHOWN:-108}x84+0+0" -fa 'DejaVu Sans Mono' -fs 11 \
  -bg '#14170f' -fg '#f0eee2' -bd '#14170f' -b 18 +sb -bw 0 -title shot \
  -xrm 'XTerm*boldColors: false' -xrm 'XTerm*color1: #ff8a80' -xrm 'XTerm*color2: #9ad17b' -xrm 'XTerm*color3: #f1c569' -xrm 'XTerm*color4: #9db8ff' \
  -xrm 'XTerm*color6: #7fd0cf' -xrm 'XTerm*color8: #9a978a' -e bash "$folder/run" &
for _ in $(seq 120); do [ -e "$folder/done" ] && break; sleep 0.5; done
sleep 0.7
window=$(DISPLAY=:97 xwininfo -root -tree | awk '/"shot"/ { print $1; exit }')
DISPLAY=:97 import -window "$window" "$folder/whole.png"
# Cut to what is written, with room around it.
convert "$folder/whole.png" -bordercolor '#14170f' -trim +repage -border 22 "$out"
