<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Request;

/** The version of something that the maker of a change looked at (RFC 9110, If-Match). */
final readonly class IfMatch
{
    private function __construct(private ?string $given) {}

    public static function of(Request $request): self
    {
        return new self($request->headers->get('If-Match'));
    }

    /**
     * Held against the version that is kept; under its lock, where others may change it at the same time.
     *
     * @throws Problem of type `NeedsVersion` or `Stale`
     */
    public function assert(int|string $version): void
    {
        if (null === $this->given) {
            throw new Problem(ProblemType::NeedsVersion, 'shared.say-which-version-looked');
        }
        if (trim($this->given) !== '"'.$version.'"') {
            throw new Problem(ProblemType::Stale, 'shared.somebody-else-changed-meantime');
        }
    }
}
