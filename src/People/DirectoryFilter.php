<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Core\People\PeopleQuery;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Which people of one's reach are listed. */
final readonly class DirectoryFilter
{
    public function __construct(
        public string $q = '',
        /** One of the four, or one that the platform has beside them. */
        #[Assert\Regex('/^[a-z0-9-]{0,32}$/D', message: 'shared.no-such-kind-person')] public string $kind = '',
        public string $division = '',
        #[Assert\Regex('/^\d{0,2}$/D', message: 'people.level-number')] public string $level = '',
        #[Assert\Length(max: 40)] public string $label = '',
        /** Who are in a site now that one lets people into. */
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'shared.not-sites-id')] public string $site = '',
        /** Of which details: "instrument=viola&mark=10..15" (`DetailWanted::all()`). */
        #[Assert\Length(max: 400, maxMessage: 'people.details-too-long')] public string $details = '',
        public string $cursor = '',
        #[Assert\Range(min: 1, max: 500)] public int $limit = 100,
    ) {}

    /** Whether they are of something that few belong to. */
    public function isOfFew(): bool
    {
        return '' !== $this->label || '' !== $this->site || '' !== $this->details;
    }

    /**
     * Beginnings of words by which they are found.
     *
     * @return list<string> folded, none where they are few and only narrowed down by what was typed
     */
    public function words(): array
    {
        return $this->isOfFew() ? [] : PeopleQuery::of($this->q)->tokens;
    }
}
