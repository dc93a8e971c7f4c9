<?php

declare(strict_types=1);

// php bin/lib/versions.php write|check: the PHP libraries that were tested, with checksums of what is installed, in
// config/tested-versions.json; check says where what is installed is something else.
$root = dirname(__DIR__, 2);
$file = $root.'/config/tested-versions.json';
/** @var array{packages: list<array{name: string, version: string, install-path: string}>} $installed */
$installed = json_decode(
    (string) file_get_contents($root.'/vendor/composer/installed.json'),
    true,
    512,
    \JSON_THROW_ON_ERROR,
);
$sumOf = static function (string $folder): string {
    $sums = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    foreach ($files as $each) {
        // What one library writes into itself names this machine.
        if ($each instanceof SplFileInfo && $each->isFile() && 'GeneratedConfig.php' !== $each->getFilename()) {
            $sums[substr($each->getPathname(), strlen($folder))] = hash_file('sha256', $each->getPathname());
        }
    }
    ksort($sums);

    return substr(hash('sha256', json_encode($sums, \JSON_THROW_ON_ERROR)), 0, 32);
};
$is = [];
foreach ($installed['packages'] as $package) {
    $folder = realpath($root.'/vendor/composer/'.$package['install-path']);
    $is[$package['name']] = ['version' => $package['version'], 'sum' => false === $folder ? '' : $sumOf($folder)];
}
ksort($is);
if ('write' === ($argv[1] ?? '')) {
    file_put_contents(
        $file,
        json_encode($is, \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR)."\n",
    );
    exit(0);
}
/** @var array<string, array{version: string, sum: string}> $tested */
$tested = json_decode((string) @file_get_contents($file), true) ?? [];
foreach ($is as $name => $each) {
    $was = $tested[$name] ?? null;
    if (null === $was) {
        echo "$name {$each['version']} was never tested with this version of Mint Door.\n";
    } elseif ($was['version'] !== $each['version']) {
        echo "$name is {$each['version']}; {$was['version']} was tested.\n";
    } elseif ($was['sum'] !== $each['sum']) {
        echo "$name {$each['version']} is not, file for file, what was tested.\n";
    }
}
