<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Messages\Repository\Letters;
use Symfony\Component\Mailer\Transport\Dsn;
use Symfony\Component\Mailer\Transport\TransportFactoryInterface;
use Symfony\Component\Mailer\Transport\TransportInterface;

/**
 * Makes the carrier that delivers into the platform instead of the
 * outside: `simulated://default?bounce=PATTERNS&delay=PATTERNS`. Patterns are addresses with `*`, parted by commas.
 */
final readonly class SimulatedTransportFactory implements TransportFactoryInterface
{
    public const SCHEME = 'simulated';

    public function __construct(private Letters $letters) {}

    public function create(Dsn $dsn): TransportInterface
    {
        $patterns = static function (string $option) use ($dsn): array {
            $value = $dsn->getOption($option, '');

            return array_values(
                array_filter(
                    array_map(trim(...), explode(',', \is_string($value) ? $value : '')),
                    static fn(string $each): bool => '' !== $each,
                ),
            );
        };

        return new SimulatedTransport($this->letters, $patterns('bounce'), $patterns('delay'));
    }

    public function supports(Dsn $dsn): bool
    {
        return self::SCHEME === $dsn->getScheme();
    }
}
