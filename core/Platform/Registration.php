<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** How people come to a division by registering themselves. Whoever does shows that their address is theirs. */
final readonly class Registration
{
    public const ASKS = ['number', 'level'];

    /**
     * @param string       $division code
     * @param list<string> $domains  such as `example.org`, for `RegistrationFor::Domains`
     * @param bool         $approved whether an administrator says yes before there is an account
     * @param list<string> $asks     some of `ASKS`, beside the name and the address
     * @param string       $language in which they are written to; empty for that of the division
     */
    public function __construct(
        public string $division,
        public RegistrationFor $for = RegistrationFor::Nobody,
        public array $domains = [],
        public bool $approved = true,
        public array $asks = [],
        public string $language = '',
    ) {}

    /** Whether somebody with an address may register; what a code says is looked at elsewhere. */
    public function takes(string $address): bool
    {
        if (RegistrationFor::Domains !== $this->for) {
            return RegistrationFor::Nobody !== $this->for;
        }
        $domain = mb_strtolower((string) substr((string) strrchr($address, '@'), 1));

        return \in_array($domain, array_map(mb_strtolower(...), $this->domains), true);
    }
}
