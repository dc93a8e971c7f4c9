<?php

declare(strict_types=1);

namespace MintDoor\Sites\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** An ending of a word that a site is found by. Made from its title and short code by `Sites\Repository\SiteTerms`. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'site_term')]
class SiteTerm
{
    public function __construct(
        /** Whether it begins inside a word: what begins as typed comes first. */
        #[ORM\Id] #[ORM\Column] public readonly bool $inside,
        #[ORM\Id] #[ORM\Column(length: 48, options: Charset::CODE)] public readonly string $term,
        /** Of the site: what has a word is read by title. */
        #[ORM\Id] #[ORM\Column(length: 160)] public readonly string $title,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        /** All words of the site, each led by a blank. */
        #[ORM\Column(length: 700, options: Charset::CODE)]
        public readonly string $names,
    ) {}
}
