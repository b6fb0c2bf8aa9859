import { spawnSync } from 'node:child_process';

/** True where the program can be found. */
export function hasProgram(name) {
  return spawnSync('sh', ['-c', `command -v ${name}`], { stdio: 'ignore' }).status === 0;
}

/**
 * Installs Debian packages: as root directly, else through sudo. Where neither is possible it
 * says exactly what to install by hand.
 */
export function installDebianPackages(packages, before = '') {
  const asRoot = process.getuid?.() === 0;
  const byHand = `apt-get install --no-install-recommends ${packages.join(' ')}`;
  if (!hasProgram('apt-get') || (!asRoot && !hasProgram('sudo'))) {
    throw new Error(`Please install by hand, as root, then start again:\n  ${byHand}`);
  }
  console.log(`Installing Debian packages: ${packages.join(' ')} ...`);
  const steps = [
    before,
    'apt-get update -qq',
    `DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends ${packages.join(' ')}`,
  ]
    .filter(Boolean)
    .join(' && ');
  const [command, ...args] = asRoot ? ['sh', '-c', steps] : ['sudo', 'sh', '-c', steps];
  const result = spawnSync(command, args, { stdio: ['inherit', 'ignore', 'pipe'] });
  if (result.status !== 0) {
    throw new Error(
      `Debian's packages could not be installed:\n${String(result.stderr).slice(-800)}\nPlease install by hand, as root, then start again:\n  ${byHand}`,
    );
  }
}
