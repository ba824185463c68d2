// Certificates of this installation: a small authority of its own, made once and trusted once by
// each tablet, and a certificate for the names and addresses that the machine has now.
import { execFileSync } from 'node:child_process'
import { createHash, X509Certificate } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'

/** Devices refuse certificates of servers that hold longer than 825 days. */
const LEAF_DAYS = 820
const AUTHORITY_DAYS = 3650
/** A certificate that ends sooner than this is made anew, ms. */
const RENEW_MS = 30 * 86_400_000

export const isLoopback = (host) => /^(127\.|localhost$|::1$|\[::1\]$)/.test(host)
const isAny = (host) => host === '0.0.0.0' || host === '::'

/** Where this machine listens for loopback's own questions. */
export const ownHost = (host) => (isAny(host) ? '127.0.0.1' : host)

/** Names and addresses by which others reach this machine, as it stands now. */
export function namesOf(host) {
  const addresses = Object.values(networkInterfaces())
    .flat()
    .filter((one) => one && !one.internal && one.family === 'IPv4')
    .map((one) => one.address)
  const here = isAny(host) ? [hostname(), `${hostname()}.local`, ...addresses] : [host]
  return [...new Set([...here, 'localhost', '127.0.0.1'])]
}
const isAddress = (name) => /^[\d.]+$|:/.test(name)
const altOf = (names) => names.map((name) => `${isAddress(name) ? 'IP' : 'DNS'}:${name}`).join(',')

const openssl = (args, input) =>
  execFileSync('openssl', args, { input, stdio: ['pipe', 'pipe', 'pipe'] })

function makeAuthority(key, cert) {
  openssl(['ecparam', '-name', 'prime256v1', '-genkey', '-noout', '-out', key])
  chmodSync(key, 0o600)
  openssl([
    'req',
    '-x509',
    '-new',
    '-key',
    key,
    '-sha256',
    '-days',
    String(AUTHORITY_DAYS),
    '-out',
    cert,
    '-subj',
    '/CN=Gentle Arch in this shop',
    '-addext',
    'basicConstraints=critical,CA:TRUE,pathlen:0',
    '-addext',
    'keyUsage=critical,keyCertSign,cRLSign',
  ])
}

function makeLeaf({ authority, authorityKey, key, cert, names }) {
  openssl(['ecparam', '-name', 'prime256v1', '-genkey', '-noout', '-out', key])
  chmodSync(key, 0o600)
  const request = openssl(['req', '-new', '-key', key, '-subj', `/CN=${names[0]}`])
  const extensions = `${cert}.ext`
  writeFileSync(
    extensions,
    [
      'basicConstraints=CA:FALSE',
      'keyUsage=critical,digitalSignature',
      'extendedKeyUsage=serverAuth',
      `subjectAltName=${altOf(names)}`,
    ].join('\n'),
  )
  try {
    openssl(
      [
        'x509',
        '-req',
        '-CA',
        authority,
        '-CAkey',
        authorityKey,
        '-sha256',
        '-days',
        String(LEAF_DAYS),
        '-extfile',
        extensions,
        '-out',
        cert,
      ],
      request,
    )
  } finally {
    rmSync(extensions, { force: true })
  }
}

/** Does a certificate hold for these names, from this authority, for a while yet? */
function holds(cert, authority, names, now) {
  if (!existsSync(cert)) return false
  const own = new X509Certificate(readFileSync(cert))
  const { publicKey } = new X509Certificate(readFileSync(authority))
  return (
    own.verify(publicKey) &&
    new Date(own.validTo).getTime() - now > RENEW_MS &&
    names.every((name) => (isAddress(name) ? own.checkIP(name) : own.checkHost(name)))
  )
}

/** What people compare on the device that is to trust it. */
export const fingerprint = (pem) =>
  createHash('sha256')
    .update(new X509Certificate(pem).raw)
    .digest('hex')
    .replace(/..(?!$)/g, '$&:')

/**
 * A certificate of our own, kept in a folder; made anew where names were added or its time runs out,
 * under the same authority, so that nobody has to trust anything again.
 */
export function ownCertificate(folder, names, now = Date.now()) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const at = (name) => join(folder, name)
  const [authority, authorityKey] = [at('authority.crt'), at('authority.key')]
  if (!existsSync(authority) || !existsSync(authorityKey)) makeAuthority(authorityKey, authority)
  const [cert, key] = [at('server.crt'), at('server.key')]
  if (!existsSync(key) || !holds(cert, authority, names, now))
    makeLeaf({ authority, authorityKey, key, cert, names })
  return {
    cert: readFileSync(cert, 'utf8') + readFileSync(authority, 'utf8'),
    key: readFileSync(key, 'utf8'),
    authority,
    fingerprint: fingerprint(readFileSync(authority)),
  }
}

/**
 * The certificate to serve with; null for plain HTTP, which is right on loopback and behind a proxy.
 *
 * @param env TLS_CERT and TLS_KEY name files; TLS=off says that a proxy in front does it; TLS=own
 *   makes one on loopback too
 */
export function certificateFor(host, folder, env) {
  const { TLS, TLS_CERT, TLS_KEY } = env
  if (Boolean(TLS_CERT) !== Boolean(TLS_KEY))
    throw new Error('TLS_CERT and TLS_KEY go together: name the files of both.')
  if (TLS_CERT) return { cert: readFileSync(TLS_CERT, 'utf8'), key: readFileSync(TLS_KEY, 'utf8') }
  if (TLS === 'off' || (isLoopback(host) && TLS !== 'own')) return null
  return ownCertificate(folder, namesOf(host))
}
