<?php

declare(strict_types=1);

use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

/** The languages there are sentences in: whoever adds a file for one to each room has added the language. */
return static function (ContainerConfigurator $container): void {
    $files = glob(dirname(__DIR__, 2).'/translations/shared/words+intl-icu.*.json') ?: [];
    $languages = array_map(static fn(string $file): string => explode('.', basename($file))[1], $files);
    // Where a browser asks for none of them, the first is taken.
    usort($languages, static fn(string $a, string $b): int => ['en' !== $a, $a] <=> ['en' !== $b, $b]);
    $container->extension('framework', ['enabled_locales' => $languages]);
};
