<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Request;

/** Where a request comes from, as far as that is counted: an IPv4 address, or the network of an IPv6 one. */
final class Place
{
    /** Bytes of an IPv6 address that name a network; the rest its owner changes at will. */
    private const NETWORK = 8;

    private function __construct() {}

    public static function of(?Request $request): string
    {
        $address = (string) $request?->getClientIp();
        $packed = str_contains($address, ':') ? inet_pton($address) : false;

        return false === $packed ? $address : bin2hex(substr($packed, 0, self::NETWORK));
    }
}
