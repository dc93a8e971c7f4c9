<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `SiteBatchRow`: a site to be made, and what stands in its way. */
final readonly class SiteBatchRow
{
    /**
     * @param int                                        $number of the row
     * @param string                                     $text   as it was written
     * @param list<LeadNamed>                            $leads
     * @param list<array{field: string, detail: string}> $problems
     * @param ?string                                    $site   id of the site that was made
     */
    public function __construct(
        public int $number,
        public string $text,
        public string $title,
        public string $code,
        public string $kind,
        public string $division,
        public string $term,
        public ?int $lowest,
        public ?int $highest,
        public ?int $seats,
        public array $leads,
        public array $problems,
        public string $verdict,
        public ?string $site,
    ) {}

    /** @return array<string, mixed> what the change list keeps of it */
    public function kept(): array
    {
        return [
            'number' => $this->number,
            'title' => $this->title,
            'code' => $this->code,
            'verdict' => $this->verdict,
            'problems' => $this->problems,
            'site' => $this->site,
        ];
    }
}
