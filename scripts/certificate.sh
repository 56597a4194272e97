# A certificate authority of one's own, for a network without a public name: tablets trust it once.

comma_list() {
  local IFS=,
  printf '%s' "$*"
}

# subject_names NAME...: as a certificate lists them; addresses of the network are told from names.
subject_names() {
  local name names=()
  for name in "$@"; do
    if [[ "$name" =~ ^[0-9.]+$ ]]; then names+=("IP:$name"); else names+=("DNS:$name"); fi
  done
  comma_list "${names[@]}"
}

# make_certificate NAME...: under which the program is opened. The authority is made once and stays; certificates may be made again.
make_certificate() {
  local name home="$STATE/tls" names log
  [ $# -gt 0 ] ||
    fail "Say under which names the program is opened." "For example: ./levamen certificate levamen.local 192.168.1.20"
  for name in "$@"; do
    [[ "$name" =~ ^[A-Za-z0-9.-]{1,253}$ ]] ||
      fail "\"$name\" is no name of a computer." "Use names without scheme and port, such as levamen.local, or addresses."
  done
  command -v openssl >/dev/null || install_packages openssl
  names=$(subject_names "$@")
  log="$STATE/certificate.log"
  (
    umask 077
    mkdir -p "$home"
    {
      if [ ! -f "$home/authority.key" ] || [ ! -f "$home/authority.crt" ]; then
        openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -sha256 -days 3650 \
          -subj "/CN=Levamen, authority of $(hostname)" -keyout "$home/authority.key" -out "$home/authority.crt" \
          -addext 'basicConstraints=critical,CA:TRUE,pathlen:0' -addext 'keyUsage=critical,keyCertSign,cRLSign'
      fi &&
        openssl req -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -sha256 -subj "/CN=$1" \
          -keyout "$home/server.key.new" -out "$home/server.csr" &&
        # Tablets refuse certificates that are good for longer than 398 days.
        openssl x509 -req -sha256 -days 397 -in "$home/server.csr" -CA "$home/authority.crt" -CAkey "$home/authority.key" \
          -CAcreateserial -out "$home/server.crt.new" \
          -extfile <(printf 'basicConstraints=critical,CA:FALSE\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nsubjectAltName=%s\n' "$names")
    } >"$log" 2>&1 &&
      mv "$home/server.key.new" "$home/server.key" && mv "$home/server.crt.new" "$home/server.crt" && rm -f "$home/server.csr"
  ) || {
    tail -n 5 "$log" >&2
    fail "The certificate could not be made (see $log)." "Check that openssl runs and that there is room on the disk."
  }
  cat <<EOF
The certificate is good until $(openssl x509 -noout -enddate -in "$home/server.crt" | cut -d= -f2). Start the program with it:

  LEVAMEN_HOST=0.0.0.0 LEVAMEN_HOSTS=$(comma_list "$@") LEVAMEN_TLS_CERT=$home/server.crt LEVAMEN_TLS_KEY=$home/server.key ./levamen start

Each tablet and computer has to trust this file once, as a certificate authority: $home/authority.crt
How that is done is told in docs/company/tablets.md. Give nobody $home/authority.key: whoever has it can pass for any server.
EOF
}
