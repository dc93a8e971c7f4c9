<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Row;

/** Something that others did to somebody's account, as `Notices` tells it. */
final readonly class AccountNews
{
    /**
     * @param Row                   $person  with `PersonRow::COLUMNS`
     * @param string                $code    one of those `Notices` has a sentence for
     * @param array<string, string> $values  of the sentence
     * @param ?string               $address in place of theirs: then it is told there alone
     */
    public function __construct(
        public Row $person,
        public string $code,
        public array $values = [],
        public ?string $address = null,
    ) {}
}
