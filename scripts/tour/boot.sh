#!/bin/sh
# boot.sh FOLDER GROUP: runs the Debian in FOLDER with its own systemd, in the control group GROUP.
set -eu
printf '%s\n' $$ >"$2/cgroup.procs"
exec unshare --mount --pid --fork --uts --ipc --cgroup --kill-child sh -euc '
  mount --make-rprivate /
  mount --bind "$1" "$1"
  cd "$1"
  mount -t proc proc proc
  # The settings of the kernel are those of the machine below.
  mount --bind proc/sys proc/sys
  mount -o remount,bind,ro proc/sys
  mount -t sysfs -o ro sysfs sys
  mount -t cgroup2 cgroup2 sys/fs/cgroup
  for each in run tmp dev; do mount -t tmpfs tmpfs $each; done
  # Devices of its own: whatever becomes of their rights there, those of this machine stay.
  mknod -m 666 dev/null c 1 3
  mknod -m 666 dev/zero c 1 5
  mknod -m 666 dev/full c 1 7
  mknod -m 666 dev/random c 1 8
  mknod -m 666 dev/urandom c 1 9
  mknod -m 666 dev/tty c 5 0
  mkdir dev/pts dev/shm
  mount -t devpts -o newinstance,ptmxmode=0666 devpts dev/pts
  mount -t tmpfs tmpfs dev/shm
  ln -s pts/ptmx dev/ptmx
  ln -s /proc/self/fd dev/fd
  mkdir -p run/below
  pivot_root . run/below
  umount -l /run/below
  rmdir /run/below
  exec env -i container=tour /lib/systemd/systemd --log-target=journal --show-status=no
' boot "$1"
