# Sourced: let_pass USER FOLDER makes sure that a user can get to a folder. Folders on the way that are closed to all
# but root are opened for passing through (not for reading); somebody's home is not.
let_pass() {
  local user=$1 folder=$2 at=
  local reaches=(setpriv --reuid="$user" --regid="$user" --clear-groups test -x)
  "${reaches[@]}" "$folder" && return 0
  while IFS= read -r part; do
    [ -n "$part" ] || continue
    at="$at/$part"
    case $at in /root|/home/*) break ;; esac
    "${reaches[@]}" "$at" || {
      echo "Opening $at for passing through, since $user, who is not root, has to get to $folder." >&2
      chmod o+x "$at"
    }
  done < <(tr / '\n' <<<"$folder")
  "${reaches[@]}" "$folder" && return 0
  echo "$user cannot get to $folder. Put it where others may enter, or start it as another user than root." >&2
  return 1
}
