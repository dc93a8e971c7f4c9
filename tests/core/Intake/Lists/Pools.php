<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Given and family names by culture, made-up people's, written down for this set. */
final class Pools
{
    /** Given names; those of cultures with another script have it behind a slash. */
    public const GIVEN = [
        'en' => 'Emily Harriet Imogen Phoebe Georgina Rosalind Tamsin Beatrice Louisa Margaret Eleanor Viola Joyce '
            .'Grace '
            .'Alfred Rupert Desmond Graham Kenneth Leonard Nathaniel Oliver Quentin Russell Stanley Timothy Vernon '
            .'Anthony Theodore Benedict Christopher Elizabeth Katherine Alexandra Samuel Frederick Josephine Victoria',
        'de' => 'Annegret Birgit Dorothea Elfriede Friederike Gudrun Hannelore Irmgard Jutta Katharina Lieselotte '
            .'Mechthild Rosemarie Sieglinde Ulrike Waltraud Bernhard Dietrich Eberhard Ferdinand Gottfried Heinrich '
            .'Joachim Konrad Leopold Matthias Reinhard Siegfried Thorsten Wolfgang Günter Jörg Käthe Bärbel Jürgen '
            .'Johannes Elisabeth Sebastian',
        'pl' => 'Agnieszka Bożena Dorota Elżbieta Grażyna Halina Iwona Jadwiga Katarzyna Lucyna Małgorzata Stanisława '
            .'Urszula Wiesława Zofia Andrzej Bogusław Czesław Grzegorz Jarosław Kazimierz Łukasz Mieczysław Paweł '
            .'Ryszard Stanisław Tadeusz Wojciech Zbigniew Krzysztof Aleksandra Magdalena Tomasz',
        'vi' => 'Anh Bao Chau Dung Giang Hang Hoa Huong Khanh Lan Linh Mai Minh Ngoc Nhung Phuong Quang Quynh Son Thao '
            .'Thuy Trang Trung Tuan Tuyet Van Vinh Xuan Yen Hieu Duc Long',
        'pt' => 'Adriana Beatriz Carolina Daniela Fernanda Gabriela Helena Isabela Juliana Larissa Mariana Patrícia '
            .'Rafaela Tatiana Vanessa Afonso Bernardo Caetano Eduardo Fabrício Gonçalo Henrique João Leandro Marcelo '
            .'Otávio Renato Sérgio Thiago Vinícius Inês Luís José António Francisco Conceição',
        'es' => 'Alejandra Beatriz Consuelo Dolores Esperanza Graciela Inmaculada Jimena Lourdes Mercedes Pilar Rocío '
            .'Soledad Verónica Ximena Alejandro Baltasar Cristóbal Domingo Evaristo Fernando Gustavo Hernán Ignacio '
            .'Joaquín Leandro Mauricio Rodrigo Salvador Vicente José Francisco Antonio Guadalupe',
        'nl' => 'Annemiek Barbara Cornelia Dieuwke Femke Geertje Hendrika Ingeborg Johanna Liesbeth Marijke Petronella '
            .'Saskia Wilhelmina Adriaan Bastiaan Cornelis Diederik Gerrit Hendrik Jeroen Klaas Lodewijk Maarten '
            .'Pieter Reinier Sjoerd Thijs Willem Wouter Joost Anneke',
        'in' => 'Aditi Bhavana Chitra Deepika Gayatri Indira Jyoti Kavita Lakshmi Madhuri Nandini Priyanka Radhika '
            .'Sarita Vasundhara Amitabh Bhaskar Chandra Devendra Gopal Harish Jagdish Krishnan Manoj Narayan Prakash '
            .'Rajesh Sanjay Venkatesh Arjun Ishaan Rohan',
        'ar' => 'Amal/أمل Basma/بسمة Dalia/داليا Farida/فريدة Hanan/حنان Iman/إيمان Jamila/جميلة Khadija/خديجة '
            .'Layla/ليلى Mariam/مريم Nadia/نادية Rania/رانيا Samira/سميرة Yasmin/ياسمين Zaynab/زينب Ahmad/أحمد '
            .'Bilal/بلال Faisal/فيصل Hassan/حسن Ibrahim/إبراهيم Jamal/جمال Khalid/خالد Mahmoud/محمود Mustafa/مصطفى '
            .'Omar/عمر Rashid/رشيد Salim/سليم Tariq/طارق Walid/وليد Yusuf/يوسف',
        'ru' => 'Anastasia/Анастасия Valentina/Валентина Galina/Галина Darya/Дарья Ekaterina/Екатерина Zhanna/Жанна '
            .'Zinaida/Зинаида Irina/Ирина Ksenia/Ксения Lyudmila/Людмила Marina/Марина Nadezhda/Надежда Olga/Ольга '
            .'Svetlana/Светлана Tatyana/Татьяна Yulia/Юлия Aleksandr/Александр Boris/Борис Vladimir/Владимир '
            .'Gennady/Геннадий Dmitry/Дмитрий Yevgeny/Евгений Ivan/Иван Konstantin/Константин Leonid/Леонид '
            .'Mikhail/Михаил Nikolai/Николай Pavel/Павел Sergei/Сергей Fyodor/Фёдор Yuri/Юрий',
        'el' => 'Aikaterini/Αικατερίνη Vasiliki/Βασιλική Georgia/Γεωργία Dimitra/Δήμητρα Eleni/Ελένη Ioanna/Ιωάννα '
            .'Konstantina/Κωνσταντίνα Panagiota/Παναγιώτα Sofia/Σοφία Christina/Χριστίνα Anastasios/Αναστάσιος '
            .'Vasilios/Βασίλειος Georgios/Γεώργιος Dimitrios/Δημήτριος Ioannis/Ιωάννης Konstantinos/Κωνσταντίνος '
            .'Nikolaos/Νικόλαος Panagiotis/Παναγιώτης Stavros/Σταύρος Theodoros/Θεόδωρος',
        'zh' => 'Xiaoming/小明 Meiling/美玲 Jianguo/建国 Lihua/丽华 Yuxin/雨欣 Zihan/子涵 Haoran/浩然 Jiayi/佳怡 '
            .'Wenjie/文杰 Xinyi/欣怡 Yifan/一凡 Zhiwei/志伟 Guoqiang/国强 Shufen/淑芬 Yanling/艳玲 Haiyan/海燕 Wei/伟 Fang/芳 '
            .'Min/敏 Jing/静 Lei/磊 Tao/涛',
        'ko' => 'Minjun/민준 Seoyeon/서연 Jihoon/지훈 Haeun/하은 Dohyun/도현 Yuna/유나 Sungmin/성민 Jiwoo/지우 Hyejin/혜진 '
            .'Taeyang/태양 Eunji/은지 Joonho/준호 Soyeon/소연 Kyungsoo/경수',
        'tr' => 'Ayşe Belgin Çiğdem Döndü Elif Gülşen Hatice İpek Leyla Meryem Nilüfer Özlem Şebnem Tülay Zeynep Ahmet '
            .'Bülent Cengiz Doğan Erdoğan Ferhat Gökhan Hüseyin İbrahim Kemal Mehmet Orhan Ömer Süleyman Tuğrul',
        'no' => 'Astrid Bjørg Dagny Eldbjørg Gunvor Hjørdis Ingrid Jorunn Kirsti Ragnhild Solveig Torunn Åse Asbjørn '
            .'Bjørn Eirik Frode Gunnar Håkon Ivar Kjetil Leif Magnus Odd Ragnvald Sigurd Torbjørn Øystein Åsmund Lars',
        'hu' => 'Ágnes Borbála Csilla Dorottya Erzsébet Gyöngyi Ildikó Judit Katalin Magdolna Orsolya Piroska '
            .'Zsuzsanna '
            .'Attila Balázs Csaba Dezső Endre Gergely Imre Kálmán László Miklós Sándor Tibor Zoltán György Ferenc',
        'fr' => 'Amélie Bénédicte Clémentine Delphine Églantine Françoise Geneviève Hélène Joséphine Mathilde Noémie '
            .'Sylvaine Véronique Antoine Barthélemy Cédric Édouard Fabrice Guillaume Hyacinthe Jérôme Laurent '
            .'Maxime Olivier Rémi Sylvain Thibault Xavier Jean Marie Anne Pierre',
        'cs' => 'Alžběta Božena Drahomíra Eliška Jarmila Kateřina Ludmila Markéta Růžena Světlana Věra Zdeňka Bohumil '
            .'Čestmír Dalibor František Jaroslav Květoslav Lubomír Miroslav Oldřich Přemysl Stanislav Václav Zdeněk '
            .'Jiří Tomáš Ondřej',
    ];

    /** Family names, parted by a bar; those of cultures with another script have it behind a slash. */
    public const FAMILY = [
        'en' => 'Page|Best|Dear|Young|List|Day|Week|March|Newman|First|Number|Course|Class|Late|Winter|Friday|Horn|'
            .'Bell|'
            .'Harper|Organ|Ashdown|Blackthorne|Coldwell|Dunmore|Eastcott|Fairweather|Greenhalgh|Hollingworth|'
            .'Ingleby|Jessop|Kettlewell|Longstaff|Merriweather|Netherton|Oakshott|Pemberton|Quennell|Ravenscroft|'
            .'Silverlock|Thistlewood|Underhill|Wetherby|Yardley|O\'Dowd|O\'Hanrahan|McIlroy|MacTavish',
        'de' => 'Ackermann|Birkenfeld|Dornseif|Eichinger|Fürstenberg|Grünwald|Hölzle|Immendorf|Jägermeyer|Königsfeld|'
            .'Lindenthal|Mühlhausen|Nägele|Oberländer|Pfannenschmidt|Rosskopf|Schönfelder|Steinbrück|Trautmann|'
            .'Übelacker|Vogelsang|Weißgerber|Zimmerli|von Hagenau|von der Heide|zu Lindenau|am Ende|Nummer',
        'pl' => 'Bąkowski|Cieślak|Dąbrowicz|Filipczak|Gąsiorek|Jabłonowski|Kołodziejczyk|Lewandowicz|Łukasiewicz|'
            .'Mazurkiewicz|Niedźwiecki|Ostrowski|Pietrzykowski|Rutkowski|Sędziwój|Świętochowski|Tomaszewicz|'
            .'Wróblewicz|Zakrzewski|Żurawski|Nowacki|Nowicki',
        'vi' => 'Le|Do|Du|Nguyen|Tran|Pham|Hoang|Phan|Vu|Vo|Dang|Bui|Ho|Ngo|Duong|Ly|La|Dinh|Mac|Van|Thai|Luong',
        'pt' => 'da Costa|de Almeida|dos Reis|da Fonseca|Carvalhal|Figueira|Gonçalves|Magalhães|Nogueirão|Pinheiro|'
            .'Quintela|Rebelo|Salgueiro|Teixeirinha|Vasconcelos|do Vale|da Luz|das Neves|Monteverde|Brandão|'
            .'Almeida Prado|Costa Ribeiro|Moreira Pinto',
        'es' => 'Arroyo Beltrán|Benítez Carmona|Cabrera|Delgado Fuentes|Escalante|Figueroa|Gallardo Ibáñez|Hinojosa|'
            .'Iturralde|Jaramillo|Lozano Mena|Montenegro|Núñez|Ordóñez|Peñaloza|Quiroga|Robledo Sanz|Saavedra|'
            .'Tovar|Ugarte|Valdivieso|Zárate Molina|de la Vega|de los Ríos|del Campo',
        'nl' => 'van den Broek|van der Meulen|de Haan|ter Horst|van Leeuwenhoek|van \'t Hoff|Bakhuizen|Dijkgraaf|'
            .'Eikelboom|Groeneveld|Hoogendoorn|Kuipersma|Langerak|Molenaarsma|Oosterhuis|Ruysdal|Schuurmans|'
            .'Terpstra|Vermeulen|Wiersema|op den Akker|in \'t Veld|ten Brink|Zuiderveld',
        'in' => 'Das|Bhattacharya|Chakraborty|Deshpande|Ganguly|Iyengar|Jayaraman|Kulkarni|Lakhani|Mukhopadhyay|'
            .'Nambiar|Padmanabhan|Raghunathan|Srinivasan|Thakkar|Upadhyay|Venkataraman|Rao|Sen|Bose',
        'ar' => 'al-Khoury/الخوري|Haddad/حداد|el-Masri/المصري|Nasser/ناصر|al-Farsi/الفارسي|Mansour/منصور|Saleh/صالح|'
            .'Darwish/درويش|bin Zayed/بن زايد|Qasim/قاسم|Barakat/بركات|Shaheen/شاهين|al-Najjar/النجار|Hamdan/حمدان|'
            .'Zaki/زكي|Fayed/فايد',
        'ru' => 'Abramov/Абрамов|Bogdanov/Богданов|Vorontsov/Воронцов|Grigoriev/Григорьев|Dolgorukov/Долгоруков|'
            .'Yemelyanov/Емельянов|Zhdanov/Жданов|Zaitsev/Зайцев|Ilyushin/Илюшин|Kuznetsov/Кузнецов|Lebedev/Лебедев|'
            .'Medvedev/Медведев|Novikov/Новиков|Ostrovsky/Островский|Polyakov/Поляков|Rozhdestvensky/Рождественский|'
            .'Shcherbakov/Щербаков|Tikhonov/Тихонов|Ushakov/Ушаков|Filatov/Филатов|Khrushchyov/Хрущёв|Tsvetkov/Цветков|'
            .'Chernyshev/Чернышев|Yakovlev/Яковлев',
        'el' => 'Alexopoulos/Αλεξόπουλος|Vlachos/Βλάχος|Georgiadis/Γεωργιάδης|Dimopoulos/Δημόπουλος|'
            .'Economou/Οικονόμου|Kalogeras/Καλογεράς|Lambropoulos/Λαμπρόπουλος|Markopoulos/Μαρκόπουλος|'
            .'Nikolaidis/Νικολαΐδης|Papadakis/Παπαδάκης|Stathopoulos/Σταθόπουλος|Theodorakos/Θεοδωράκος',
        'zh' => 'Wang/王|Li/李|Zhang/张|Liu/刘|Chen/陈|Yang/杨|Huang/黄|Zhao/赵|Zhou/周|Wu/吴|Xu/徐|Sun/孙|Ma/马|Zhu/朱|Guo/郭|'
            .'He/何|Lin/林|Gao/高|Luo/罗|Zheng/郑',
        'ko' => 'Kim/김|Lee/이|Park/박|Choi/최|Jung/정|Kang/강|Cho/조|Yoon/윤|Jang/장|Lim/임|Han/한|Shin/신',
        'tr' => 'Akdoğan|Bayraktar|Çelikoğlu|Demirtaş|Erdoğmuş|Fındıkçı|Gündüz|Hacıoğlu|İnanç|Karagöz|Kılıçarslan|'
            .'Öztürkmen|Pamukçu|Sarıgül|Şimşekler|Taşkıran|Uğurlu|Yıldırımer|Güneş|Özgür',
        'no' => 'Aasgaard|Bjørnstad|Dahlgren|Engebretsen|Fjellheim|Grønvold|Håkonsen|Isaksen|Jørgensen|Kvalheim|'
            .'Lundegård|Myklebust|Nygård|Ødegaard|Pettersen|Rønningen|Sæther|Tveitane|Ulvestad|Vårdal|Ås|Skjæveland',
        'hu' => 'Almási|Bánfalvi|Csikós|Dobrovszky|Erdődi|Fekete|Gyarmati|Horváthné|Illyés|Jánosi|Kerekes|Lőrincz|'
            .'Molnár|Nyerges|Országh|Pálfi|Rákosi|Szentgyörgyi|Tóth|Vörösváry|Zsigmond|Szűcs',
        'fr' => 'Beauregard|Charbonneau|Delacroisière|Fontenoy|Grandmaison|Hautefeuille|Jolivet|Lachambre|Montclair|'
            .'Prudhomme|Rochefontaine|Sainte-Croix|Vaillancourt|du Plessis|Le Goff|de la Tour|d\'Aubigny|'
            .'Duval-Renaud|Martel-Lefort|Le Gall|Saint-Aubin',
        'cs' => 'Bartoníček|Černohorský|Doležal|Fiala|Havránek|Jelínek|Kopřiva|Květoň|Němeček|Procházka|Řehoř|'
            .'Skřivánek|Šťastný|Truhlář|Vondráček|Zahradníček|Žižkovský|Dvořáček',
    ];

    /** Beginnings and endings that make up more family names, some of them very much alike. */
    public const COMPOUNDS = [
        'en' => ['Ash|Black|Cold|Dun|East|Fair|Green|Hol|Lang|Merri|Nether|Oak|Pem|Raven|Stan|Thistle|West|Wilder',
            'bourne|by|croft|dale|field|gate|ham|hurst|ley|more|stead|ton|wick|worth'],
        'de' => ['Acker|Birken|Eichen|Grün|Hoch|Linden|Mühl|Ober|Rosen|Stein|Wald|Weiß|Löwen|Brück',
            'bach|berg|feld|mann|stein|hauser|meier|brunner|mayer|hofer|tal'],
        'pl' => ['Bor|Dąbr|Gór|Jan|Kow|Lip|Malin|Olsz|Piotr|Sos|Wiśni|Zakrz|Gław|Żuł',
            'owski|ewicz|iak|ański|czyk|owicz|ecki'],
        'pt' => ['Carv|Figu|Mont|Oliv|Per|Sant|Vi|Cam|Mour|Alm', 'eira|al|inho|ares|edo|osa|inhal'],
        'es' => ['Alv|Cas|Est|Gonz|Her|Mart|Pas|Rod|Sol|Vill', 'ález|ero|illo|ínez|edo|ana|orro'],
        'nl' => ['Berg|Dijk|Groen|Hoog|Kamp|Land|Oost|Stein|Veld|Wester', 'stra|huis|veld|sma|hoorn|man|inga|kamp'],
        'in' => ['Aga|Bhat|Chak|Desh|Gan|Jaya|Kri|Mukh|Pra|Sub|Venk', 'raman|wal|nathan|murthy|kar|pathi|nayak'],
        'ru' => ['Abram/Абрам|Bogdan/Богдан|Vorob/Вороб|Gusel/Гусел|Dobron/Доброн|Zolot/Золот|Karp/Карп|Lavr/Лавр|'
            .'Mord/Морд|Pest/Пест|Ryab/Ряб|Samar/Самар|Trof/Троф',
            'ov/ов|in/ин|enko/енко|sky/ский|yev/ьев'],
        'tr' => ['Ak|Bay|Çelik|Demir|Er|Gün|Kara|Öz|Şahin|Yıl', 'oğlu|er|türk|taş|soy|kan|gil|bulut'],
        'no' => ['Aas|Berg|Dal|Eng|Fjell|Grøn|Haug|Lund|Nord|Sol|Øst', 'stad|heim|vik|dal|rud|haug|gård|nes'],
        'hu' => ['Bodor|Cser|Erd|Földv|Kis|Nagy|Sár|Szent|Vad|Zala', 'i|vári|falvi|házi|hegyi|szegi'],
        'fr' => ['Beau|Bel|Clair|Fonte|Grand|Haute|Mont|Roche|Val|Ville', 'mont|fort|court|neuve|rive|champ|combe'],
        'cs' => ['Bart|Čern|Hav|Kop|Květ|Nov|Ryb|Svob|Trn|Zahr', 'áček|ička|ák|otný|ovec|oušek'],
        'el' => ['Alex/Αλεξ|Dimitr/Δημητρ|Karam/Καραμ|Nikol/Νικολ|Papad/Παπαδ|Stavr/Σταυρ',
            'akis/άκης|opoulos/όπουλος|idis/ίδης|atos/άτος'],
        'ar' => ['al-Ab/الاب|al-Ham/الحم|al-Ras/الرس|al-Sab/السب', 'adi/ادي|ouri/وري|awi/اوي|ani/اني'],
    ];

    /** Usual short names: each part of the lists has its own. */
    public const SHORT = [
        'work' => [
            'Elizabeth' => 'Liz Beth Lizzie',
            'Christopher' => 'Chris',
            'Alexandra' => 'Alex Sandra',
            'Samuel' => 'Sam',
            'Timothy' => 'Tim',
            'Katherine' => 'Kate Kathy',
            'Johannes' => 'Hannes Hans',
            'Matthias' => 'Matze',
            'Małgorzata' => 'Gosia Małgosia',
            'Katarzyna' => 'Kasia',
            'Tomasz' => 'Tomek',
            'Stanisław' => 'Staszek',
            'Francisco' => 'Paco',
            'José' => 'Pepe Zé',
            'Dolores' => 'Lola',
            'Guadalupe' => 'Lupe',
            'Willem' => 'Wim',
            'Cornelis' => 'Kees Cor',
            'Hendrik' => 'Henk',
            'Ekaterina' => 'Katya',
            'Aleksandr' => 'Sasha',
            'Dmitry' => 'Dima',
            'Nikolai' => 'Kolya',
            'Ioannis' => 'Yannis',
            'Konstantinos' => 'Kostas',
            'Erzsébet' => 'Bözsi Erzsi',
            'László' => 'Laci',
            'Zsuzsanna' => 'Zsuzsa',
            'František' => 'Franta',
            'Mehmet' => 'Memo',
        ],
        'kept' => [
            'Margaret' => 'Maggie Meg Peggy',
            'Frederick' => 'Fred Freddie',
            'Victoria' => 'Vicky Tori',
            'Josephine' => 'Josie',
            'Theodore' => 'Ted Theo',
            'Anthony' => 'Tony',
            'Leonard' => 'Len',
            'Elisabeth' => 'Lisbeth Sissi',
            'Sebastian' => 'Basti',
            'Heinrich' => 'Heiner Heinz',
            'Katharina' => 'Kathi',
            'Agnieszka' => 'Aga',
            'Magdalena' => 'Magda',
            'Grzegorz' => 'Grzesiek',
            'Wojciech' => 'Wojtek',
            'Ignacio' => 'Nacho',
            'Consuelo' => 'Chelo',
            'Mercedes' => 'Merche',
            'Wilhelmina' => 'Mina Willemijn',
            'Pieter' => 'Piet',
            'Tatyana' => 'Tanya',
            'Vladimir' => 'Vova Volodya',
            'Mikhail' => 'Misha',
            'Anastasia' => 'Nastya',
            'Georgios' => 'Yorgos Giorgos',
            'Aikaterini' => 'Katerina',
            'Katalin' => 'Kati',
            'Ferenc' => 'Feri',
            'Sándor' => 'Sanyi',
            'Václav' => 'Vašek',
        ],
        'anew' => [
            'Nathaniel' => 'Nat Nate',
            'Benedict' => 'Ben',
            'Eleanor' => 'Ellie Nell',
            'Rosalind' => 'Ros',
            'Kenneth' => 'Ken Kenny',
            'Georgina' => 'Georgie',
            'Friederike' => 'Rike',
            'Joachim' => 'Jochen Achim',
            'Bernhard' => 'Bernd',
            'Zofia' => 'Zosia',
            'Krzysztof' => 'Krzysiek',
            'Jadwiga' => 'Jadzia',
            'Andrzej' => 'Jędrek',
            'Joaquín' => 'Quino',
            'Fernando' => 'Nando',
            'Rosemarie' => 'Rosi',
            'Bastiaan' => 'Bas',
            'Diederik' => 'Dirk',
            'Lodewijk' => 'Lode',
            'Svetlana' => 'Sveta',
            'Sergei' => 'Seryozha',
            'Yevgeny' => 'Zhenya',
            'Panagiotis' => 'Panos',
            'Dimitrios' => 'Dimitris',
            'Zoltán' => 'Zoli',
            'Orsolya' => 'Orsi',
            'Ildikó' => 'Ildi',
            'Zdeněk' => 'Zdenda',
            'Jiří' => 'Jirka',
            'Véronique' => 'Véro',
        ],
    ];

    /** Names people go by on stage or at home, that have nothing to do with their given name. */
    public const GOES_BY = 'Juno Bo Kit Ash Robin Sunny Indigo Wren Pax Marlow Tig Fenn Sol Nova Remy Lux';

    public const STAGE = 'Lumen Vex|Orla Starling|Captain Reed|Nyx Amaranth|Silvan Oak|Mira Moonbeam|Jet Halyard|'
        .'Pepper Quay|Echo Lark|Rusty Nail|Opal Storm|Theo Vagabond';

    /** @var array<string, list<array{string, string}>> */
    private static array $given = [];

    /** @var array<string, list<array{string, string}>> */
    private static array $family = [];

    private function __construct() {}

    /** @return list<array{string, string}> as it is written in Latin letters, and in its own */
    public static function given(string $culture): array
    {
        return self::$given[$culture] ??= self::pairs(explode(' ', self::GIVEN[$culture]));
    }

    /** @return list<array{string, string}> as it is written in Latin letters, and in its own */
    public static function family(string $culture): array
    {
        if (isset(self::$family[$culture])) {
            return self::$family[$culture];
        }
        $names = self::pairs(explode('|', self::FAMILY[$culture]));
        [$fronts, $ends] = self::COMPOUNDS[$culture] ?? ['', ''];
        foreach (self::pairs(explode('|', $fronts)) as [$front, $frontScript]) {
            foreach (self::pairs(explode('|', $ends)) as [$end, $endScript]) {
                $names[] = [$front.$end, $frontScript.$endScript];
            }
        }

        return self::$family[$culture] =
            array_values(array_filter($names, static fn(array $name): bool => '' !== $name[0]));
    }

    /**
     * @param list<string> $names
     *
     * @return list<array{string, string}>
     */
    private static function pairs(array $names): array
    {
        return array_map(static fn(string $name): array => str_contains($name, '/')
            ? [strstr($name, '/', true) ?: '', substr((string) strstr($name, '/'), 1)]
            : [$name, ''], $names);
    }
}
