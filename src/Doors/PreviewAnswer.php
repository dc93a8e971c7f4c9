<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Sites\SiteName;

/** Schema `Preview`: what who looks in is shown of a site. */
final readonly class PreviewAnswer
{
    /**
     * @param ?array{name: string, startsOn: string, endsOn: string} $term days
     * @param list<string>|null $leads names; null where the door does not show them
     * @param list<array{name: string, meets: string}>|null $sections null where the door does not show them
     * @param ?int $learners null where the door does not show it
     * @param ?int $seats null where the door does not show it
     */
    public function __construct(
        public SiteName $site,
        public string $kind,
        public string $division,
        public ?array $term,
        public string $about,
        public ?array $leads,
        public ?array $sections,
        public ?int $learners,
        public ?int $seats,
    ) {}
}
