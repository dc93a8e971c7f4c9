<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** What was made of a key that somebody typed. */
final readonly class KeyReading
{
    /**
     * @param ?KeySlip $slip  null when it is right in itself; whether it opens anything is another matter
     * @param ?Key     $key   as it is written, where it is right
     * @param ?Key     $meant the only one it can have been, where that shows
     * @param ?string  $word  the word that no key has
     */
    public function __construct(
        public ?KeySlip $slip,
        public ?Key $key = null,
        public ?Key $meant = null,
        public ?string $word = null,
    ) {}
}
