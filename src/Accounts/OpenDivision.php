<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Platform\Levels;

/** Schema `OpenDivision`: a division in which people register themselves. */
final readonly class OpenDivision
{
    /**
     * @param string       $for      a `RegistrationFor`, never for nobody
     * @param list<string> $domains  that addresses are to be at
     * @param bool         $approved whether somebody says yes before there is an account
     * @param list<string> $asks     some of `number` and `level`
     * @param ?Levels      $levels    null for those without names
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $welcome,
        public string $for,
        public array $domains,
        public bool $approved,
        public array $asks,
        public ?Levels $levels,
    ) {}
}
