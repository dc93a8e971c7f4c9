<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

/** What a platform calls a kind of site, such as a course or a workshop, and what holds for sites of it. */
final readonly class SiteKind
{
    /**
     * @param string                $glyph     one of `Platform\Look::GLYPHS`, shown beside titles; empty for none
     * @param ?int                  $seats     that a new site of it has; null for no limit
     * @param bool                  $listed    whether such sites are among the places to join
     * @param array<string, string> $roles     codes of the roles that are offered first there, by kind of person;
     *                                         where it says nothing, those that the roles themselves say
     * @param list<Question>        $questions asked of whoever asks for a place there; none for that of the platform
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $glyph = '',
        public ?int $seats = null,
        public bool $listed = true,
        public array $roles = [],
        public array $questions = [],
    ) {}

    /** Code of the role that people of a kind are offered first; null where this kind of site says none. */
    public function roleOf(string $people): ?string
    {
        return $this->roles[$people] ?? null;
    }
}
