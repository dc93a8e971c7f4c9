<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** A door as it was before a change of term, and which version of it that made. */
final readonly class DoorKept
{
    /**
     * @param ?string $sealed its key, as base64; null where that stayed
     * @param int     $version afterwards
     */
    public function __construct(
        public string $id,
        public string $state,
        public int $fromAt,
        public int $untilAt,
        public ?int $stayUntil,
        public ?string $sealed,
        public int $version,
    ) {}

    /** @return list<self> of what was kept as JSON */
    public static function read(mixed $kept): array
    {
        $doors = [];
        foreach ((array) $kept as $one) {
            $one = (array) $one;
            $text = static fn(string $name): ?string => \is_string($one[$name] ?? null) ? $one[$name] : null;
            $number = static fn(string $name): ?int => \is_int($one[$name] ?? null) ? $one[$name] : null;
            $doors[] = new self(
                (string) $text('id'),
                (string) $text('state'),
                (int) $number('fromAt'),
                (int) $number('untilAt'),
                $number('stayUntil'),
                $text('sealed'),
                (int) $number('version'),
            );
        }

        return $doors;
    }
}
