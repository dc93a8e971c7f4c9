<?php

declare(strict_types=1);

namespace MintDoor\PostRoom;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Addresses of the house's pages, as messages have them. They are never made from what a request calls the house. */
final readonly class Addresses
{
    public function __construct(
        #[Autowire('%env(MINT_DOOR_ADDRESS)%')]
        private string $house,
    ) {
    }

    /** The token is in the fragment, which no server is sent and none logs. */
    public function ofPassword(string $token): string
    {
        return rtrim($this->house, '/').'/welcome#'.$token;
    }

    /** The token is in the fragment, as with passwords. */
    public function ofInvitation(string $token): string
    {
        return rtrim($this->house, '/').'/invitation#'.$token;
    }

    /** Where one sees the sites one is in, and what is kept for one. */
    public function ofOwnSites(): string
    {
        return rtrim($this->house, '/').'/sites/in';
    }

    public function ofSite(string $site): string
    {
        return rtrim($this->house, '/').'/sites/'.$site.'/enter';
    }
}
