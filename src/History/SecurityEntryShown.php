<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** Schema `SecurityEntry`. */
final readonly class SecurityEntryShown
{
    /**
     * @param ?string                         $at      instant
     * @param ?string                         $address forgotten after a time the rules set
     * @param \stdClass                       $data    ids and codes
     */
    public function __construct(
        public int $sequence,
        public ?string $at,
        public string $code,
        public ?Somebody $person,
        public ?Somebody $by,
        public ?SiteName $site,
        public ?string $address,
        public \stdClass $data,
    ) {}
}
