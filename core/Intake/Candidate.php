<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** Somebody a line may mean, and why. */
final readonly class Candidate
{
    /**
     * @param bool      $clear    whether they may be taken, where nobody else comes into question
     * @param bool      $unread   whether something stands beside the name that nobody understands
     * @param bool      $weak     whether it takes the site to be for them
     * @param list<int> $used     pieces of the line that are their names
     * @param list<int> $family   those of them that are a family name
     * @param bool      $extra    whether a word that is somebody's name stands among theirs
     * @param int       $crossing brackets, dashes and signs that stand between the words of their name
     * @param list<string> $pairs keys of the names that were found
     * @param int       $words    how many words of the line are their names
     * @param bool      $loose    whether the words are as likely the name of somebody else: given names of several of
     *     their names, or a short one that is a name by itself
     */
    public function __construct(
        public Known $known,
        public Evidence $evidence,
        public bool $clear = true,
        public bool $remembered = false,
        public bool $unread = false,
        public bool $weak = false,
        public array $used = [],
        public array $family = [],
        public bool $extra = false,
        public int $crossing = 0,
        public array $pairs = [],
        public int $words = 0,
        public bool $loose = false,
    ) {}

    /** Evidence of one tier tells nobody apart; that of a higher one does. */
    public function tier(): int
    {
        return $this->extra ? min(1, $this->evidence->tier()) : $this->evidence->tier();
    }

    /** The same, as somebody settled it here before. */
    public function again(): self
    {
        return new self(
            $this->known,
            $this->evidence,
            $this->clear,
            true,
            $this->unread,
            $this->weak,
            $this->used,
            $this->family,
            $this->extra,
            $this->crossing,
            $this->pairs,
            $this->words,
            $this->loose,
        );
    }
}
