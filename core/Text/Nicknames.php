<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/**
 * Which given names people shorten, and to what: those in common use, and a platform's own. Compared folded.
 */
final class Nicknames
{
    /** Rows of a table, and names in a row. */
    public const MOST_ROWS = 500;
    public const MOST_NAMES = 20;
    public const LONGEST_NAME = 40;

    /**
     * Short names in use in English, German, Dutch, Norwegian, French, Spanish, Portuguese, Italian, Polish, Czech,
     * Hungarian, Russian, Greek and Turkish, the full name first. Compiled for this program from general knowledge; it
     * has the licence of the program.
     */
    private const FIRST = <<<'NAMES'
        Abigail Abby Gail
        Abraham Abe Bram
        Adalbert Adi Bela
        Adelheid Heidi
        Agata Agatka Aga
        Agnieszka Aga Agusia
        Agnes Agi Nessie
        Aikaterini Katerina Kaiti Katina
        Albert Al Bert Bertie
        Alberto Beto
        Alejandra Ale Jandra
        Alejandro Ale Jandro Alex
        Aleksandr Sasha Sanya Alex Shura
        Aleksandra Ola Sasha Alex Olka
        Aleksander Olek Alek Sasha
        Alexander Alex Sasha Sandro Xander Lex Sander Alexei
        Alexandra Alex Sasha Sandra Lexi Alexa Sandy Xandra
        Alexandre Alex Xande
        Alexandros Alekos Alex
        Alfred Fred Alf Freddy Alfie
        Alfredo Fredo
        Alice Ali
        Alicja Ala
        Alina Ala
        Alojzy Alek
        Alžběta Běta Bětka Eliška
        Amalia Malia Mali
        Amanda Mandy
        Amelia Amy Millie
        Amina Mina
        Anastasia Nastya Stasya Ana
        Anastasios Tasos
        Anatoly Tolya
        András Andris Bandi
        Andrea Andi
        Andreas Andi Andy Dres
        André Dré
        Andrei Andryusha
        Andrew Andy Drew
        Andrzej Jędrek Andrzejek
        Angela Angie
        Angelika Geli
        Ángel Angelito
        Anna Ania Anya Anni Anka Anita Aneta Annie Anička Panni Annuška
        Anne Annie Anneke Annette
        Anneliese Anne Liese Anni
        Annemarie Anne Annemie
        Annemiek Miek Mieke
        Annegret Anne Gret
        Anthony Tony Ant
        Antje Anja
        Anton Toni Tosha Tonda Tonik
        Antónia Toninha
        Antonia Toni Toñi
        Antonio Toni Tonio Toño Antoñito
        António Tó Toninho Tonho
        Antoine Toinou Tony
        Antonín Tonda Toník
        Antoni Antek Antoś
        Antonios Antonis
        Archibald Archie
        Arnold Arnie Noldi
        Arthur Art Artie Turi
        Arturo Turi
        Athanasios Thanasis Nasos
        Augustin Gustl Gus
        Augusto Guto
        Aurélie Lili
        Balthasar Balz Hauser
        Baltasar Balta
        Balázs Balu
        Barbara Babs Barb Basia Bärbel Barbora Varya Bara
        Barbora Bára Barča Barunka
        Barthélemy Barth
        Bartholomäus Barthel Bartl
        Bartłomiej Bartek Bart
        Bartek Bart
        Bastiaan Bas
        Beata Beatka
        Beatrice Bea Trixie Bice
        Beatriz Bea Bia Betty
        Beatrix Bea Trix
        Benedict Ben Benny
        Benedikt Bene Benni
        Benjamin Ben Benno Benny Benji
        Benjamín Benja
        Bernadette Bernie
        Bernard Bernie
        Bernardo Nando Bernie
        Bernhard Bernd Hardy Berni
        Bogdan Boguś
        Bogusław Boguś Bogdan
        Bogumił Boguś
        Bohumil Bohouš
        Boris Borya
        Borbála Bori Borka
        Božena Bożenka Božka
        Brigitte Gitte Biggi
        Birgit Biggi Gitte
        Caetano Caê
        Carlos Carlitos Charly
        Carolina Caro Carol Lina
        Caroline Caro Carrie Lina
        Catarina Cata Cati
        Caterina Rina Cate
        Catherine Cathy Kate Kit Cat Katie
        Cecilia Ceci Cilla Sissel
        Charles Charlie Chuck Chas
        Charlotte Lotte Charlie Lottie Lotti
        Christian Chris Christl Kris
        Christina Chris Tina Christl Kirsten Stina
        Christine Chris Tina Christl Tine
        Christopher Chris Kit Topher
        Christoph Chris Stoffel Toph
        Christos Chris Chrisa
        Clemens Klemens
        Clara Clärchen Klärchen
        Claudia Claudi
        Concepción Concha Conchita
        Conceição São Concha
        Consuelo Chelo Consuelito
        Cornelia Conny Nelly Corrie
        Cornelis Kees Cor Cees Nelis
        Cornelius Kees Cor Neil
        Cristina Cris Tina
        Cristóbal Tobal Cristo
        Csilla Csilli
        Czesław Czesiek
        Dagmar Daggi
        Dalibor Dali Libor
        Daniel Dan Danny Dani Danek
        Daniela Dani Dana
        Danuta Danka Danusia
        Darya Dasha
        David Dave Davy Dodo
        Deborah Debbie Deb
        Delfina Fina
        Desmond Des
        Dezső Dezi
        Diederik Rik Dirk
        Diego Dieguito
        Dietrich Dieter Dietz
        Dimitra Mimi Demi
        Dimitrios Dimitris Mitsos Jimmy
        Dmitri Dima Mitya Mitja
        Dmitry Dima Mitya
        Dolores Lola Loli
        Domingo Mingo
        Dominik Domi Nik
        Dominic Dom Nick
        Donald Don Donny
        Dorota Dorotka
        Dorothea Dorle Dora Thea Doro
        Dorothy Dot Dottie Dolly
        Dorottya Dóri Dorka
        Douglas Doug
        Drahomíra Drahuška
        Eberhard Ebbi Hardy Eber
        Édouard Doudou Ed
        Eduardo Edu Dudu Lalo
        Edith Edie
        Edmund Ed Ned
        Edward Ed Eddie Ted Ned Edek
        Edwin Ed Eddie Win
        Eirik Erik
        Ekaterina Katya Katyusha Katia
        Eleanor Ellie Nell Nora Nelly Elly
        Elena Lena Lenka Nena
        Eleni Lena Nitsa Lenio
        Eleonora Nora Ela
        Elfriede Friedl Elfi Frieda
        Elisabeth Lisa Betty Elsa Lise Lisbeth Sissi Elli Liesel Lilli Sisi Lies Lisl Else Betti
        Elizabeth Liz Beth Lizzie Betty Eliza Libby Betsy Bess Lisa Elsie Ellie
        Elisabetta Betta Lisa Elisa
        Eliška Ela Elka
        Elżbieta Ela Elka Bietka
        Élodie Lodie
        Emily Em Emmy Millie
        Emilia Emi Mila Milka
        Emma Em Emmy
        Emmanuel Manu Manny
        Enrique Quique Kike
        Erdoğan Erdo
        Ernst Ernie
        Ernesto Neto Tito
        Erzsébet Bözsi Erzsi Zsóka Böske Erzsike
        Esperanza Espe
        Esther Etty Essie
        Eugene Gene
        Eugenia Genia Zhenya
        Eva Evi Evička Évi
        Evelyn Evie Lyn
        Ewa Ewka Ewunia
        Fabrício Fabri
        Federico Fede Fico
        Felicity Fliss Flick
        Felix Lix
        Ferdinand Ferdi Ferdl Nando
        Ferenc Feri Ferkó
        Fernanda Nanda Fê
        Fernando Nando Fer
        Filippo Pippo
        Florian Flo Flori
        Frances Fran Fanny Frankie
        Francesca Fra Chicca Cesca
        Francesco Checco Franco Cecco
        Francis Frank Fran
        Francisca Paca Fran Chica Paquita Xica
        Francisco Paco Fran Pancho Chico Curro Kiko Quico Xico
        Franciszek Franek
        František Franta Fanda
        Françoise Fanfan Soizic
        Franz Franzl Frank
        Franziska Franzi Sissi Fränzi
        Frederick Fred Freddie Freddy Rick
        Frederik Fred Fritz Freddy Rik
        Friederike Rike Friedel Fritzi
        Friedrich Fritz Fred Friedl Fiete
        Fyodor Fedya
        Gabriel Gabe Gabi Gab Biel
        Gabriela Gabi Gaby Gabrysia
        Gabriele Gabi Lele
        Galina Galya
        Geertje Geert Truus
        Geneviève Ginette Gen
        Gennady Gena Genya
        Geoffrey Geoff Jeff
        Georg Schorsch Jörg Görgl
        George Georgie
        Georgia Gina Georgie
        Georgina Georgie Gina
        Georgios Giorgos Yorgos Yiorgos
        Gerald Gerry Jerry
        Gerard Gerry
        Gerardo Gera Lalo
        Gerhard Gerd Hardy
        Gergely Gergő Geri
        Gerrit Ger
        Gertrud Trude Gerti Traudl
        Gilbert Gil Bert
        Giovanni Gianni Nanni Vanni
        Giuseppe Beppe Peppe Pino
        Gonçalo Gonças
        Gordon Gordie
        Gottfried Friedl Götz
        Graciela Chela
        Grażyna Grażka Grażynka
        Gregory Greg
        Gregor Greg
        Grigory Grisha
        Grzegorz Grzesiek Grześ
        Guadalupe Lupe Lupita
        Gudrun Gudi
        Guilherme Gui
        Guillaume Guigui Gui
        Guillermo Memo Guille Willy
        Gunvor Gunna
        Günter Günni
        Günther Günni
        Gustavo Gus Tavo
        Gustav Gus Gustl
        György Gyuri Gyurka
        Gyöngyi Gyöngyike
        Håkon Hake
        Halina Hala Halinka
        Hannah Hanni
        Hannelore Hanne Lore Hannerl
        Hans Hansi
        Harald Harry
        Harold Harry Hal
        Harriet Hattie Harry
        Hatice Hatiş
        Heinrich Heiner Heinz Heini Hein Hinnerk
        Helena Lena Nelly Hela Leni Lenča
        Helen Nell Nellie
        Helene Leni Lene Hella
        Hélène Léna
        Hendrik Henk Rik Hein Hendrikus
        Hendrika Rika Riek Henny
        Henri Riri
        Henrik Rik Henk Henke
        Henrique Rique Quique
        Henry Harry Hal Hank
        Henryk Heniek
        Herbert Herb Herbie Bert
        Hermann Manni
        Hermenegildo Gildo
        Hernán Nano
        Hildegard Hilde Hilda
        Hubert Bert Hubsi
        Hugo Huguinho
        Hüseyin Hüso
        Ian Iain
        Ibrahim Ibo Brahim
        İbrahim İbo
        Ignacio Nacho Iñaki
        Ignaz Naz
        Ildikó Ildi
        Immaculata Imma
        Inmaculada Inma Macu
        Imogen Immy
        Imre Imi
        Ingeborg Inge Inga
        Ingrid Inga Inger
        Inês Nê Inesinha
        Ioanna Nana Gianna
        Ioannis Yannis Giannis Yiannis
        Irena Irka
        Irina Ira Irishka
        Irmgard Irmi Irma
        Isabel Isa Bella Chabela Bel Isabelita Belinha
        Isabela Isa Bela
        Isabella Bella Isa Izzy
        Isidoro Isi
        Iván Vania
        Ivan Vanya Ivo Vano
        Iwona Iwonka
        Jacek Jacuś
        Jacob Jake Jack Coby
        Jacqueline Jackie
        Jacques Jacquot
        Jadwiga Jadzia Jaga
        Jagdish Jaggu
        Jakob Jack Kuba Köbi Jaki
        Jakub Kuba
        James Jim Jamie Jimmy Jem
        Jana Janka
        János Jani Jancsi
        Jan Janek Jaś Honza Jasiek
        Janet Jan
        Janina Janka
        Janusz Januszek
        Jarmila Jarka Jarča
        Jarosław Jarek
        Jaroslav Jarda
        Jean Jeannot
        Jeffrey Jeff
        Jelena Lena Jela
        Jennifer Jen Jenny
        Jeremy Jem Jerry
        Jerónimo Jero
        Jérôme Jéjé
        Jeroen Roen
        Jerzy Jurek Jerzyk
        Jessica Jess Jessie
        Jesús Chucho Suso
        Jiří Jirka Jura
        Joachim Achim Jochen Jo
        Joanna Asia Aśka Jo
        João Joãozinho Jão
        Joaquín Quino Joaco
        Joaquim Quim
        Johanna Hanna Hanne Jo Anneke Joke Hannie
        Johannes Hannes Jo Hans Joop Johan Jan
        John Jack Johnny Jon
        Jonathan Jon Jonny
        Jolanta Jola
        Jorge Coque Jorgito
        Jörg Jörgi
        José Pepe Zé Pepito Chepe Zezinho
        Josef Sepp Pepa Jupp Pepík Beppo
        Josefa Pepa Fina
        Joseph Joe Sepp Jo Jojo
        Josephine Josie Jo Fifi Josy
        Joséphine Jo Fifine
        Joshua Josh
        József Józsi Jóska
        Józef Józek
        Jozef Jef Jos
        Juan Juanito Juancho
        Judit Jutka Juci
        Judith Judy Jutta Judi
        Jürgen Jürg Jogi
        Julia Jule Julie
        Juliana Ju Juli
        Julian Jules
        Jutta Jutti
        Kálmán Kalmi
        Karel Kája Karlík
        Karl Kalle Karli Charly
        Karolina Karola Karolcia
        Kasimir Kazik
        Kazimierz Kazik Kazek
        Katalin Kati Kata Katica Kató
        Katarina Kata Kati Rina Katka Kaja
        Katarzyna Kasia Kaśka
        Kateřina Katka Káťa Kačka
        Katharina Kathi Kati Käthe Trine Katrin Kathrin Kätchen
        Katherine Kate Kathy Katie Kat Kitty Kay
        Kathleen Kathy Kath Kay
        Katja Kati
        Kemal Kemo
        Kenneth Ken Kenny
        Kimberly Kim
        Klaas Klaasje
        Klaus Claus
        Kirsti Kirsten
        Konrad Conny Kurt Konni
        Konstantin Kostya Kostja Tino
        Konstantina Dina Nadia
        Konstantinos Kostas Dinos Kostis
        Krystyna Krysia Kryśka
        Krzysztof Krzysiek Krzyś
        Krishnan Kris
        Ksenia Ksyusha Xenia
        Květoslav Květoš
        Lakshmi Laxmi
        Larissa Lara Lari
        Larisa Lara
        László Laci Lacika
        Laurence Larry Laurie
        Laurent Lolo
        Lawrence Larry Laurie
        Leandro Lê
        Leonard Leo Len Lenny Lennie
        Leonardo Leo Nardo
        Leonid Lyonya Leo
        Leopold Leo Poldi
        Lieselotte Lotte Liese Lilo Liesel
        Liesbeth Lies Bep Betsie
        Linnea Nea
        Lodewijk Lode Lowie
        Lorenzo Renzo
        Louisa Lou Lulu
        Louise Lou Lulu
        Louis Lou Loulou
        Lourdes Lulu Lourditas
        Lubomír Luboš Ľuboš
        Lucia Luci Luzi
        Lucyna Lusia
        Ludmila Lída Liduška Mila
        Ludwig Lutz Wiggerl Luggi
        Luis Lucho Luisito
        Luís Lulu Luisinho
        Luiz Lula
        Łukasz Łukaszek
        Lyudmila Lyuda Mila Luda
        Maarten Maart
        Maciej Maciek
        Madeleine Maddie Mado
        Magdalena Lena Magda Leni Madda Magdička
        Magdolna Magdi Magda
        Magnus Manne
        Maksim Max Maks
        Małgorzata Gosia Małgosia Gośka
        Manoel Manu Mané
        Manuel Manolo Manu Lolo Nelo
        Manuela Manu Lela
        Marcelo Celo
        Marcin Marcinek
        Marek Mareczek
        Margaret Meg Maggie Peggy Madge Marge Daisy Greta
        Margarete Grete Gretel Gretl Gitta
        Margarita Rita Marga Mago
        Margherita Rita Ghita
        Margit Manci
        Maria Mia Mari Mitzi Mizzi Masha Marysia Maja Marie Mimi
        María Mari Maruja Marichu
        Mariam Mari
        Mariana Mari Nana
        Marie Mařenka Maruška Mimi
        Marijke Marij Rijk
        Marina Mara
        Mário Marinho
        Markéta Marky Markétka
        Markus Mark Max
        Martha Marty Mattie
        Martin Tin Marty Máťa
        Mary Molly Polly May Mae
        Mateusz Mati Mateuszek
        Mathias Matz Mats
        Mathilde Tilly Tilda Hilde
        Matilda Tilly Mattie
        Matteo Teo
        Matthew Matt Mattie
        Matthias Matze Matti Hias Matz
        Mauricio Mauri Mao
        Maurits Mau
        Maximilian Max Maxi
        Maxime Max
        Mechthild Mechti
        Mehmet Memo Memet
        Mercedes Merche Mechi
        Meryem Mero
        Michael Mike Micha Mick Mickey Michi Michel
        Michał Michałek
        Michelle Chelle Shelly
        Michal Míša
        Mieczysław Mietek
        Miguel Migue Miguelito
        Mihály Misi Miska
        Mikhail Misha
        Mikołaj Miki
        Miklós Miki
        Mildred Millie
        Miloslav Miloš
        Miriam Mim Miri
        Miroslav Mirek Míra
        Mirosław Mirek
        Mohammed Mo Moh Mohamed
        Mustafa Musti Muso
        Nadezhda Nadya
        Nadia Nadja
        Nancy Nan
        Naomi Nomi
        Narayan Naru
        Natalia Natasha Nata Talia Natka
        Natalie Nat
        Nathaniel Nat Nate Nathan
        Nicholas Nick Nico Klaus Nicky
        Nicolás Nico
        Nicole Nicky Nic
        Niels Nils
        Nikolai Kolya Nick
        Nikolaos Nikos
        Nikolaus Klaus Niko Nick
        Noémie Mimi Noé
        Norbert Bert
        Octavio Tavo
        Odd Oddvar
        Oldřich Olda
        Oleg Olezhka
        Olga Olya Olenka
        Oliver Ollie Olli
        Olivia Livia Liv
        Olivier Olive
        Ondřej Ondra
        Orsolya Orsi
        Orhan Orhi
        Otávio Tavinho
        Øystein Østen
        Pamela Pam
        Panagiota Yota Panayiota
        Panagiotis Panos Takis
        Paolo Paolino
        Patricia Pat Patsy Trish Tricia Patty Pati
        Patrícia Paty
        Patrick Pat Paddy Rick
        Paul Pauli
        Paula Pauli
        Paulina Paula Lina Paulinka
        Pavel Pasha Pája Pavlík
        Paweł Pawełek
        Pauline Paula
        Pedro Pedrito
        Penelope Penny
        Percival Percy
        Peter Pete Petr
        Péter Peti
        Petr Péťa
        Petronella Nel Petra Nelly Pieternel
        Petronela Nela
        Philip Phil Pip
        Philipp Phil Lipp
        Philippa Pippa Pip
        Philippe Phil
        Phoebe Phebe
        Pierre Pierrot
        Pieter Piet Piotr
        Pilar Pili
        Piotr Piotrek Piotruś
        Piroska Piri
        Prakash Prakashji
        Priscilla Prisca Cilla
        Priyanka Priya
        Přemysl Přemek
        Quentin Quin
        Rachel Rach
        Radosław Radek
        Rafael Rafa
        Rafaela Rafa
        Rafał Rafi
        Ragnhild Ragna
        Rajesh Raj
        Ramón Moncho
        Raphael Rafi Raffi
        Raymond Ray
        Rebecca Becky Bex
        Regina Gina
        Reginald Reg Reggie
        Reinhard Reini Hardy
        Reinhold Reini Holdi
        Reinier Rein
        Rémi Rem
        Renate Reni Nate
        Renato Rena Natinho
        Ricardo Richi Ricky Caco
        Richard Rick Dick Ricky Richie Rich Ríša
        Rigoberto Rigo
        Robert Bob Rob Bobby Robbie Bert Bobek
        Roberto Beto Tito Robi
        Rocío Chío
        Rodrigo Rodri Digo
        Roger Rog
        Roland Rolly Rolo
        Roman Roma
        Ronald Ron Ronnie
        Rosalind Ros Roz
        Rosario Charo Chayo
        Rosemarie Rosi Romy
        Rosemary Rose
        Rudolf Rudi Ruda Dolf
        Rupert Ru
        Růžena Růža
        Russell Russ
        Ryszard Rysiek
        Salvador Salva Chava
        Samantha Sam Sammy
        Samuel Sam Sammy Samu
        Samira Sami
        Sándor Sanyi
        Santiago Santi Chago Yago
        Sarah Sally
        Sanjay Sanju
        Saskia Sas
        Sebastian Basti Seb Bastian Bas
        Sebastián Sebas
        Sebastião Tião Bastião
        Sérgio Serginho
        Sergei Seryozha Sergey
        Sergio Checho
        Siegfried Siggi Sigi
        Sieglinde Linde Siggi
        Sigurd Siggen Sjur
        Simon Si
        Sławomir Sławek
        Sjoerd Sjors
        Sofia Sofi Sophie Sonya Zosia
        Sofía Sofi
        Solveig Solla
        Soledad Sole
        Sophie Fifi Soph
        Stanisław Staszek Stasiek Stach
        Stanislav Standa Slávek Stáňa
        Stanisława Stasia
        Stanley Stan
        Stavros Stavrakis
        Stefan Steff Stefek
        Stefania Stefa
        Stephanie Steph Steffi
        Stephan Steff
        Stephen Steve Stevie
        Steven Steve
        Suleiman Süleyman Sulo
        Süleyman Sülo
        Susan Sue Susie Suzy
        Susana Susi Su
        Susanna Sanna Sanne Susi
        Susanne Susi Sanne Sanni
        Svetlana Sveta Lana
        Sylvester Sly Silvio
        Szymon Szymek
        Tadeusz Tadek Tadzio
        Tamara Toma Tammy
        Tamsin Tam
        Tatiana Tanya Tati Taťána
        Tatyana Tanya Tata
        Teresa Tere Teri Maite
        Terence Terry
        Thaddeus Tad
        Theodor Theo Teddy Teo
        Theodora Dora Thea Roula
        Theodore Ted Theo Teddy
        Theodoros Thodoris Theo
        Theresa Terry Tess Resi Tessa
        Therese Resi Thesi
        Thiago Ti
        Thibault Thib
        Thijs Mathijs Matthijs
        Thomas Tom Tommy Thom
        Thorsten Torsten
        Tibor Tibi
        Timothy Tim Timmy
        Timotheus Timo Tim
        Tobias Tobi Toby
        Tomás Tomi
        Tomáš Tom Tomek Tomášek
        Tomasz Tomek
        Torbjørn Tor Tobben
        Torunn Tone
        Tuğrul Tuğ
        Ulrich Uli Ulli Ueli
        Ulrike Uli Rike Ulla
        Urszula Ula
        Ursula Uschi Ulla Ursel
        Václav Vašek Venca
        Valentina Valya Tina Vale
        Valentin Valya
        Valentino Tino
        Vanessa Nessa Vane
        Vasiliki Vaso Vicky
        Vasilios Vasilis
        Vasily Vasya
        Venkatesh Venky
        Vernon Vern
        Verónica Vero
        Véronique Véro
        Věra Věrka
        Vicente Chente Vicentico
        Victor Vic
        Victoria Vicky Tori Vic Vicki
        Viktor Vic Vitya Vik
        Viktoria Vicky Viki Tori
        Vincent Vince Vinnie
        Vinícius Vini
        Virginia Ginny Ginger
        Vittorio Vito
        Vladimir Vova Volodya Vlad
        Vladimír Vláďa
        Vladislav Vlad Slava
        Waldemar Waldek Waldi
        Walter Walt Wally
        Waltraud Traudl Traudi
        Wenzel Wenz
        Werner Werni
        Wiesława Wiesia
        Wilhelm Willi Willy Helmi
        Wilhelmina Mina Willemijn Wilma Minnie Mien
        Willem Wim Pim
        William Bill Will Liam Billy Willy
        Winifred Winnie Freda
        Władysław Władek
        Wojciech Wojtek
        Wolfgang Wolf Wolfi
        Wouter Wout
        Xaver Xaverl Veri
        Xavier Xavi Javi
        Javier Javi
        Ximena Xime
        Jimena Jime
        Xenia Xeni
        Yevgeny Zhenya
        Yevgenia Zhenya
        Yulia Yulya
        Yuri Yura
        Yusuf Yusi
        Zachary Zach Zack
        Zbigniew Zbyszek
        Zdeněk Zdenda
        Zdeňka Zdena
        Zhanna Zhana
        Zinaida Zina
        Zofia Zosia
        Zoltán Zoli
        Zsófia Zsófi
        Zsuzsanna Zsuzsa Zsuzsi Zsu
        NAMES;

    /** @var ?array<string, list<string>> of the common names */
    private static ?array $common = null;

    /** @var array<string, list<string>> folded word => what it may stand for besides itself */
    private array $same;

    /**
     * The common short names, and a platform's own.
     *
     * @param list<list<string>> $rows the full name, then what it is shortened to; all of a row stand for one another
     */
    public function __construct(array $rows = [])
    {
        $same = self::$common ??= self::common();
        foreach ($rows as $row) {
            $words = array_values(array_unique(array_merge(...array_map(Folding::tokens(...), $row))));
            foreach ($words as $word) {
                $same[$word] = [...$same[$word] ?? [], ...array_diff($words, [$word])];
            }
        }
        $this->same = array_map(static fn(array $words): array => array_values(array_unique($words)), $same);
    }

    /** @return list<string> folded words that a folded word may stand for, itself not among them */
    public function of(string $word): array
    {
        return $this->same[$word] ?? [];
    }

    /** How many names have short forms that are in common use. */
    public static function many(): int
    {
        return substr_count(self::FIRST, "\n") + 1;
    }

    /** @return array<string, list<string>> a name stands for what is short for it, and the other way round */
    private static function common(): array
    {
        $same = [];
        foreach (explode("\n", self::FIRST) as $row) {
            $words = array_values(array_unique(array_merge(...array_map(Folding::tokens(...), explode(' ', $row)))));
            foreach (\array_slice($words, 1) as $short) {
                $same[$words[0]][] = $short;
                $same[$short][] = $words[0];
            }
        }

        return $same;
    }
}
