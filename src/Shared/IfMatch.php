<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Request;

/** Holds a change against the version its maker looked at (RFC 9110, If-Match). */
final class IfMatch
{
    private function __construct() {}

    /** @throws Problem of type `NeedsVersion` or `Stale` */
    public static function check(Request $request, int $version): void
    {
        $given = $request->headers->get('If-Match');
        if (null === $given) {
            throw new Problem(ProblemType::NeedsVersion, 'Say which version you looked at, in If-Match.');
        }
        if (trim($given) !== '"'.$version.'"') {
            throw new Problem(
                ProblemType::Stale,
                'Somebody else changed this in the meantime. Look at what is so now, then decide again. What you typed '
                    .'is still here.',
            );
        }
    }
}
