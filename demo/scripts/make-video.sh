#!/usr/bin/env bash
# Makes the stand-in video: five minutes of a night sky that shows its own clock, with a soft tone, seekable, small.
# Needs ffmpeg and a DejaVu font (Debian: ffmpeg, fonts-dejavu-core).
set -euo pipefail
cd "$(dirname "$0")/.."
font=/usr/share/fonts/truetype/dejavu/DejaVuSans-Bold.ttf
sky=$(mktemp --suffix=.png)
trap 'rm -f "$sky"' EXIT
# A still sky: a gradient from the horizon up, and stars where a hash of the place is high enough.
ffmpeg -v error -y -f lavfi -i "color=black:s=640x360:d=1" -frames:v 1 -vf \
  "geq=r='14+Y/360*40+220*gt(sin(X*12.9898+Y*78.233)*43758.5453-floor(sin(X*12.9898+Y*78.233)*43758.5453),0.9985)*lt(Y,270)':g='20+Y/360*44+215*gt(sin(X*12.9898+Y*78.233)*43758.5453-floor(sin(X*12.9898+Y*78.233)*43758.5453),0.9985)*lt(Y,270)':b='44+Y/360*52+190*gt(sin(X*12.9898+Y*78.233)*43758.5453-floor(sin(X*12.9898+Y*78.233)*43758.5453),0.9985)*lt(Y,270)',format=rgb24" "$sky"
# The clock runs one frame early, as a browser that seeks to a second may show the frame before it.
ffmpeg -v error -y -loop 1 -framerate 5 -i "$sky" -f lavfi -i "sine=frequency=196:sample_rate=48000" -t 300 -filter_complex \
  "[0:v]drawbox=x=0:y=318:w=640:h=42:color=0x10161c:t=fill,setpts=PTS+0.2/TB,drawtext=fontfile=$font:text='%{pts\\:gmtime\\:0\\:%M\\\\\\:%S}':fontsize=120:fontcolor=0xf3e9d2:x=(w-text_w)/2:y=110,setpts=PTS-0.2/TB,drawbox=x='mod(t*2\\,620)':y=336:w=8:h=8:color=0xe0a84f:t=fill,format=yuv420p[v];[1:a]volume=0.05,tremolo=f=0.2:d=0.8[a]" \
  -map '[v]' -map '[a]' -c:v libvpx-vp9 -crf 46 -b:v 0 -g 10 -keyint_min 10 -deadline good -cpu-used 3 -row-mt 1 -c:a libopus -b:a 6k -application lowdelay -frame_duration 60 assets/sky.webm
ls -l assets/sky.webm
