<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Schema `ToCome`: something that changes by itself in the next days. */
final readonly class ToCome
{
    /**
     * @param 'door-shuts'|'site-opens'|'site-closes'|'term-begins'|'term-ends' $kind
     * @param string    $at   instant; of a term the first or the last day, at its beginning
     * @param ?Somebody $site null for a term
     * @param string    $name of the door or the term; a door without one says its kind
     */
    public function __construct(
        public string $kind,
        public string $at,
        public ?Somebody $site,
        public string $name,
        public string $doorKind,
        public string $timeZone,
    ) {}
}
