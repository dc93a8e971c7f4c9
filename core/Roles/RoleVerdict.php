<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** Whether a role may be held or given, and if not why, and who could. */
final readonly class RoleVerdict
{
    /**
     * @param string                            $code     "fits", "cautioned", "other-levels", or for no: "wrong-kind",
     *     "wrong-level", "not-yours-to-give", "not-to-yourself", "no-such-role"
     * @param array<string, string|int|null> $values
     * @param list<string>                      $givers   codes of the roles whose holders could, when `not-…`;
     *     administrators always could
     */
    private function __construct(
        public bool $allowed,
        public string $code,
        public array $values = [],
        public array $givers = [],
    ) {}

    public static function yes(): self
    {
        return new self(true, 'fits');
    }

    /** @param array<string, string|int|null> $values */
    public static function withCaution(string $code, array $values = []): self
    {
        return new self(true, $code, $values);
    }

    /**
     * @param array<string, string|int|null> $values
     * @param list<string>                      $givers
     */
    public static function no(string $code, array $values = [], array $givers = []): self
    {
        return new self(false, $code, $values, $givers);
    }
}
