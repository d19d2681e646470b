# The settings in ladder.conf: 'name = value' lines. Read, never run as a script.

CONF=${LADDER_CONF:-$ROOT/ladder.conf}
# name, the variable that the server knows it by, what a value looks like, and what is said where it does not
SETTINGS='
address LADDER_ADDRESS ^[0-9a-fA-F.:]+$ an address of this machine like 127.0.0.1
port LADDER_PORT ^[0-9]{1,5}$ a number from 1 to 65535
zone LADDER_ZONE ^[A-Za-z_+/0-9-]+$ a place like Europe/Oslo
https LADDER_SECURE_COOKIE ^(yes|no)$ yes or no
servers LADDER_SERVERS ^[1-9]$ a number of servers from 1 to 9
replica LADDER_REPLICA ^(yes|no)$ yes or no
proxy LADDER_PROXY ^.+$ a regular expression of addresses like 10\.0\.0\..*
second-step LADDER_SECOND_STEP ^(no|administrators|coordinators|everyone)$ no, administrators, coordinators or everyone
oidc-issuer LADDER_OIDC_ISSUER ^https?://.+$ the address of the sign-in of the school like https://sign-in.school.example
oidc-client LADDER_OIDC_CLIENT ^.+$ the name by which that sign-in knows this program
oidc-secret LADDER_OIDC_SECRET ^.+$ what that sign-in gave for this program to show
oidc-name LADDER_OIDC_NAME ^.+$ what people call that sign-in
oidc-address LADDER_OIDC_ADDRESS ^https?://.+$ the address of this program as browsers see it like https://ladder.school.example
mail-host LADDER_MAIL_HOST ^[^[:space:]]+$ the name of a mail server like mail.school.example
mail-port LADDER_MAIL_PORT ^[0-9]{1,5}$ a number from 1 to 65535
mail-user LADDER_MAIL_USER ^.+$ the name by which that server knows this program
mail-password LADDER_MAIL_PASSWORD ^.+$ the password for it
mail-from LADDER_MAIL_FROM ^[^@[:space:]]+@[^@[:space:]]+$ the address that letters come from like ladder@school.example
mail-links LADDER_MAIL_LINKS ^https?://[^[:space:]]+$ the address of this program as people see it like https://ladder.school.example
mail-tls LADDER_MAIL_TLS ^(true|false)$ true or false
pace LADDER_PACE ^[1-9][0-9]{0,3}$ a whole number from 1 on
memory LADDER_MEMORY ^[1-9][0-9]*[mg]$ a size like 1g or 768m
backup-folder LADDER_BACKUP_FOLDER ^/.+$ the full path of a folder
backup-days LADDER_BACKUP_DAYS ^[1-9][0-9]{0,3}$ a number of days from 1 on
metrics-port LADDER_METRICS_PORT ^[0-9]{1,5}$ a number from 1 to 65535
leaver-years LADDER_LEAVER_YEARS ^[1-9][0-9]?$ a number of years from 1 on
audit-years LADDER_AUDIT_YEARS ^[1-9][0-9]?$ a number of years from 1 on
'

settings_lines() { # 'number name=value' of each line that counts
  [ ! -f "$CONF" ] || sed -n '=;p' "$CONF" | paste -d' ' - - | tr -d '\r' | sed -nE 's/^([0-9]+) +([^#[:space:]=][^=]*[^[:space:]=]|[^#[:space:]=])[[:space:]]*=[[:space:]]*(.*[^[:space:]]|)[[:space:]]*$/\1 \2=\3/p'
}

# The value that counts: of the environment, of the file, or otherwise.
setting_of() { # NAME OTHERWISE
  local variable value
  variable=$(awk -v n="$1" '$1 == n {print $2}' <<<"$SETTINGS")
  value=${!variable:-}
  [ -n "$value" ] || value=$(settings_lines | sed -n "s/^[0-9]* $1=//p" | tail -1)
  printf %s "${value:-$2}"
}

# Puts the file's settings where the server reads them.
settings_use() {
  local name variable value
  while read -r name variable _; do
    [ -n "$name" ] || continue
    value=$(setting_of "$name" '')
    [ "$name" != https ] || case $value in yes) value=true ;; no) value=false ;; esac
    [ -z "$value" ] || export "$variable=$value"
  done <<<"$SETTINGS"
}

# One line for each thing that is wrong, with its repair; nothing where all is well.
settings_wrong() {
  local number line name value form words before=' '
  [ -f "$CONF" ] || return 0
  while read -r number line; do
    [[ $line =~ ^[[:space:]]*(#.*)?$ ]] || [[ $line == *=* ]] || echo "ladder.conf, line $number: '$line' is no setting. Write name = value, or put a # before it."
  done < <(sed -n '=;p' "$CONF" | paste -d' ' - - | tr -d '\r')
  while read -r number line; do
    name=${line%%=*} value=${line#*=}
    form=$(awk -v n="$name" '$1 == n {print $3}' <<<"$SETTINGS")
    words=$(awk -v n="$name" '$1 == n {$1 = $2 = $3 = ""; sub(/^ +/, ""); print}' <<<"$SETTINGS")
    if [ -z "$form" ]; then
      echo "ladder.conf, line $number: there is no setting '$name'. There are: $(awk 'NF {printf "%s%s", s, $1; s = ", "}' <<<"$SETTINGS")."
    elif ! [[ $value =~ $form ]]; then
      echo "ladder.conf, line $number: $name is $words, not '$value'."
    elif [[ $before == *" $name "* ]]; then
      echo "ladder.conf, line $number: $name stands there twice; the last one counts. Take one away."
    else
      setting_cannot "$name" "$value" | sed "s/^/ladder.conf, line $number: /"
    fi
    before="$before$name "
  done < <(settings_lines)
}

# What a value that looks right cannot be on this machine.
setting_cannot() { # NAME VALUE
  local code=0
  case $1 in
    port|metrics-port) [ "$2" -ge 1 ] && [ "$2" -le 65535 ] || echo "$1 is a number from 1 to 65535, not '$2'." ;;
    zone) [ -f "/usr/share/zoneinfo/$2" ] || [ ! -d /usr/share/zoneinfo ] || echo "there is no zone '$2'. Take one like Europe/Oslo." ;;
    proxy) grep -qE -- "$2" </dev/null 2>/dev/null || code=$?; [ "$code" -lt 2 ] || echo "proxy is no regular expression: '$2'." ;;
    address) [ "$2" = 0.0.0.0 ] || [ "$2" = :: ] || ip -o addr 2>/dev/null | grep -qF " $2/" || ! command -v ip >/dev/null || echo "$2 is no address of this machine." ;;
    memory) [ "$(megabytes "$2")" -le "$(machine_megabytes)" ] || echo "memory is $2, but the machine has $(machine_megabytes) MB." ;;
    backup-folder) writable "$2" || echo "$2 cannot be written. Make the folder, or let this account write there." ;;
  esac
}

# Whether a folder can be written, or made.
writable() {
  local folder=$1
  until [ -e "$folder" ]; do folder=$(dirname "$folder"); done
  [ -d "$folder" ] && (umask 077; : >"$folder/.ladder-check-$$") 2>/dev/null && rm -f "$folder/.ladder-check-$$"
}

megabytes() { case $1 in *g) echo $((${1%g} * 1024)) ;; *) echo "${1%m}" ;; esac; }
machine_megabytes() { awk '/^MemTotal/ {print int($2 / 1024)}' /proc/meminfo; }

machine_wrong() { # NAME
  local free used file newest
  have_java || echo "Java 17 is missing; ./ladder start installs it."
  have_postgres || echo "PostgreSQL is missing; ./ladder start installs it."
  mkdir -p "$STATE/$1"
  free=$(df -Pm "$STATE/$1" | awk 'NR == 2 {print $4}')
  [ "$free" -ge 1024 ] || echo "Only $free MB are free where the records are. Make room: below 1 GB an import or a backup may not fit."
  used=$(df -P "${TMPDIR:-/tmp}" | awk 'NR == 2 {print $5 + 0}')
  [ "$used" -lt 98 ] || echo "The folder for temporary files (${TMPDIR:-/tmp}) is full. Make room in it."
  for file in "$STATE/$1"/*.password "$STATE/$1/claim.key"; do
    [ ! -f "$file" ] || [ -z "$(find "$file" -perm /077)" ] || echo "Others can read $file. Run: chmod 600 '$file'"
  done
  if [ "$(setting_of address 127.0.0.1)" != 127.0.0.1 ] && [ "$(setting_of https no)" != yes ]; then
    echo "Others can reach the server, but without HTTPS. Put a web server with HTTPS in front and set https = yes."
  fi
  if [ -f "$STATE/$1/pg.ready" ]; then
    newest=$(find "$(backup_folder "$1")" -maxdepth 1 -name 'ladder-*.dump' -mmin -2880 -print -quit 2>/dev/null || true)
    [ -n "$newest" ] || echo "There is no backup of the last two days in $(backup_folder "$1"). ./ladder start takes one each night; ./ladder backup FILE takes one now."
  fi
}
