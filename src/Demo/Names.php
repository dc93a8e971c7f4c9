<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;

/**
 * Invented names for invented people: a broad mix, with what makes matching hard in it (diacritics, particles, double
 * names, homonyms).
 */
final class Names
{
    private const GIVEN = 'Alma Beatriz Caspar Dagny Emre Fenna Goran Hedda Ilse Jonas Katja Leif Maud Nuno Odile '
        .'Pekka Quirin Rosa Søren Tilda Ulrike Vasco Wanda Xenia Yusuf Zofia Aurélie Bartek Chiara Dmitri Élodie '
        .'Fatou Gülşen Hamza Inés Jiří Kofi Lourdes Małgorzata Nadia Oona Péter Renée Sanne Tomáš Ursa '
        .'Viktor Wiebke Ximena Yara Zsófia Amina Björn Celeste Darya Egon Flora Gaia Hugo Imke Jelena Kasimir Lotte '
        .'Mirela Niels Orsolya Pilar Ruben Signe Theo Umut Vera Willem Yvaine Zora Anouk Birk Clara Dario Edith Felix '
        .'Greta Hanna Ivo Judith Kaspar Linnea Marek Nora Otto Paula Rafał Silke Tarik Una Vito';

    private const FAMILY = ''
        .'Lindqvist|Okonedo|van der Meulen|Ferreira da Luz|Brandvold|Çelikbaş|Dąbrowicz|Etxarri|'
        .'Fjellanger|Grünbaumer|Hallorand|Iversholm|Jankovec|Kowalczewski|Løvstrand|Marchetto|Nakagiri|'
        .'Ólafsdal|Petrovanu|Quintero-Vale|Rasmundsen|Szalontay|Távora|Ustinovsky|Vermeeren|Westergard|'
        .'Xanthopoulou-Roy|Ylönkoski|Zábranský|Abernethy-Cole|Böttcherling|Castellvi|Deloitre|Eskelund|'
        .'Fürstenau|Gallimore|Haverbeke|Ibragimova|Jørstad|Kirchhofer|Lacroisette|Mwakasege|Nyström-Bell|'
        .'Oyelaran|Pajunen|Rautaniemelä|Šimečková|Tellefsen|Udvardy|Vandenhoek|Wachowska|Yıldızhan|'
        .'Zeylmans|Aaltonen-Reyes|Brúnsdóttir|Cosgrave|Drăgulescu|Engelbrekt|Faßbinder|Gunnarsholt|'
        .'Hryniewicz|de la Cueva|Jaszczak|Kjellberg|Leclairmont|Mørkved|Nieuwland|Östergren|Pospíchal|'
        .'Rozenblat|Sørbråten|Tamaševič|Uhlenhorst|Villarroya|Wiśniowski|Anand-Pires|Bhattarai|Chidubem|'
        .'Dlaminisi|El Khoudri|Fonoti|Ghebremeskel|Hakimzade|Ishikawara|Jagannath|Kamaiopili|Laghmari|'
        .'Mbekeni|Nguyễn-Hart|Osei-Tutuola|Pereira Sales|Qadirova|Rangihuna|Selassie-Mohr|Tanuwidjaja|'
        .'Ubayev|Vongsa|Wairimu|Yamadera|Zewdie';

    private const STAGE = ['North', 'Lark', 'Quill', 'Sable', 'Winterlight'];

    private const SYLLABLES = [
        'ba',
        'bre',
        'da',
        'del',
        'fa',
        'fri',
        'ga',
        'ha',
        'hol',
        'ka',
        'kel',
        'la',
        'lin',
        'ma',
        'mor',
        'na',
        'nor',
        'pa',
        'ra',
        'ros',
        'sa',
        'stel',
        'ta',
        'tor',
        'va',
        'vin',
        'wa',
        'zel',
    ];

    private const ENDINGS = [
        'berg',
        'dal',
        'ek',
        'ens',
        'feld',
        'gaard',
        'holm',
        'ic',
        'ini',
        'kamp',
        'lund',
        'mann',
        'nen',
        'ova',
        'quist',
        'rud',
        'sen',
        'stad',
        'ulescu',
        'ynski',
    ];

    /** @var list<string> */
    private readonly array $given;

    /** @var list<string> */
    private readonly array $family;

    public function __construct(private readonly Dice $dice)
    {
        $this->given = explode(' ', self::GIVEN);
        $this->family = explode('|', self::FAMILY);
    }

    /** Few names are common and many are rare, as in life. */
    public function given(): string
    {
        return $this->given[$this->dice->skewed(\count($this->given))];
    }

    /**
     * Names that some people have besides, the same ones every time.
     *
     * @param int $n of the person
     *
     * @return list<FurtherName>
     */
    public function besides(int $n, string $given, string $family): array
    {
        $other = $this->given[$n * 7 % \count($this->given)];
        $names = [];
        if (3 === $n % 29) {
            $names[] = new FurtherName(NameKind::Passport, $given.' '.$other, '');
        }
        if (5 === $n % 61) {
            $names[] = new FurtherName(NameKind::Stage, $other, self::STAGE[$n % \count(self::STAGE)]);
        }
        if (11 === $n % 47) {
            $letters = \Transliterator::create('Latin-ASCII; Latin-Cyrillic')
                ?? throw new \LogicException('ICU has no Cyrillic transliteration.');
            $names[] = new FurtherName(
                NameKind::Script,
                (string) $letters->transliterate($given),
                (string) $letters->transliterate($family),
            );
        }

        return $names;
    }

    /** @param bool $many also names made from syllables, for platforms with more people than the list has names */
    public function family(bool $many = false): string
    {
        if (!$many || $this->dice->chance(15)) {
            return $this->family[
                $many ? $this->dice->skewed(\count($this->family)) : $this->dice->below(\count($this->family))
            ];
        }

        return ucfirst(
            self::SYLLABLES[$this->dice->skewed(\count(self::SYLLABLES))]
                .self::SYLLABLES[$this->dice->skewed(\count(self::SYLLABLES))]
                .self::ENDINGS[$this->dice->skewed(\count(self::ENDINGS))],
        );
    }
}
