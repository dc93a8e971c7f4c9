<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Addresses of the platform's pages, as messages have them. They are never made from what a request calls the platform.
 */
final readonly class Addresses
{
    public function __construct(#[Autowire('%env(MINT_DOOR_ADDRESS)%')] private string $platform) {}

    /**
     * Where the link of a message leads.
     *
     * @param string $token of a kind whose link is secret
     * @param string $site  id, for the others
     */
    public function of(MessageKind $kind, string $token, string $site): string
    {
        // A token is in the fragment, which no server is sent and none logs.
        return rtrim($this->platform, '/')
            .match (true) {
                $kind->setsPassword() => '/welcome#'.$token,
                MessageKind::Registration === $kind => '/register/confirm#'.$token,
                $kind->linkIsSecret() => '/invitation#'.$token,
                MessageKind::AccountChanged === $kind => '/',
                MessageKind::SeatOffered === $kind => '/sites/in',
                MessageKind::Wishes === $kind, MessageKind::Placed === $kind => '/wishes',
                MessageKind::Choosing === $kind, MessageKind::Grouped === $kind => '/groups',
                default => '/sites/'.$site.'/enter',
            };
    }
}
